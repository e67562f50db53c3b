package app.unciala.server.decision;

import app.unciala.server.decision.DecisionService.Decided;
import app.unciala.server.decision.DecisionService.Question;
import jakarta.validation.Valid;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/decisions")
class DecisionController {
    private final DecisionService decisions;

    DecisionController(DecisionService decisions) {
        this.decisions = decisions;
    }

    @PostMapping
    Decided decide(@Valid @RequestBody Question question) {
        return decisions.decide(question);
    }
}
