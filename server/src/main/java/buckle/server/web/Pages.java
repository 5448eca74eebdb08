package buckle.server.web;

import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;

/** Deep links into the one page of the interface. */
@Controller
class Pages {
    @GetMapping({"/jobs/{*rest}", "/certificates/{*rest}", "/rules", "/prices", "/stock", "/upkeep", "/practice"})
    String page() {
        return "forward:/index.html";
    }
}
