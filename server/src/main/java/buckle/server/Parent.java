package buckle.server;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** The server ends with the script that started it, however that ended. */
@Component
class Parent {
    private static final Logger LOG = LoggerFactory.getLogger(Parent.class);

    private final long pid;

    /** @param pid of the script; 0 when nobody started the server but itself */
    Parent(@Value("${buckle.parent:0}") long pid) {
        this.pid = pid;
    }

    @EventListener
    void ready(ApplicationReadyEvent ready) {
        if (pid == 0) {
            return;
        }
        Runnable end = () -> {
            LOG.warn("The script that started this server has ended; so does the server");
            System.exit(SpringApplication.exit(ready.getApplicationContext()));
        };
        ProcessHandle.of(pid).ifPresentOrElse(script -> script.onExit().thenRun(end), end);
    }
}
