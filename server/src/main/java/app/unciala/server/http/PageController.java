package app.unciala.server.http;

import io.swagger.v3.oas.annotations.Hidden;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;

/** Every address of the web interface is the same page, which then shows the place. */
@Hidden
@Controller
class PageController {
    @GetMapping({
        "/",
        "/sign-in",
        "/intake/**",
        "/families/**",
        "/licenses/**",
        "/sites/**",
        "/flags/**",
        "/history/**",
        "/settings/**",
        "/people/**",
        "/css/**",
        "/proof/**",
        "/join/**"
    })
    String page() {
        return "forward:/index.html";
    }
}
