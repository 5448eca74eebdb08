package buckle.server.web;

import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.boot.webmvc.error.ErrorController;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.RequestMapping;

/** What the container could not answer; asked for directly it is not there. */
@Controller
class ErrorPage implements ErrorController {
    @RequestMapping("/error")
    void error(HttpServletRequest request, HttpServletResponse response) throws IOException {
        boolean forwarded = request.getAttribute(RequestDispatcher.ERROR_REQUEST_URI) != null;
        int status = forwarded && request.getAttribute(RequestDispatcher.ERROR_STATUS_CODE) instanceof Integer code
                ? code
                : 404;
        SecurityHeaders.set(response, true);
        Problems.write(
                response,
                Problems.sent(status, status == 404 ? "not-found" : "request", ContainerProblems.sentence(status)));
    }
}
