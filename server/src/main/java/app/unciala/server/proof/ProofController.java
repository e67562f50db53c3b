package app.unciala.server.proof;

import app.unciala.server.proof.ProofService.ProofView;
import app.unciala.server.proof.ProofService.StyleSheetText;
import jakarta.validation.Valid;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

@RestController
class ProofController {
    private final ProofService proofs;

    ProofController(ProofService proofs) {
        this.proofs = proofs;
    }

    @PostMapping("/api/sites/{id}/proof")
    ProofView forSite(@PathVariable String id, @Valid @RequestBody StyleSheetText pasted) {
        return proofs.forSite(id, pasted);
    }

    @PostMapping("/api/proof")
    ProofView read(@Valid @RequestBody StyleSheetText pasted) {
        return proofs.read(pasted);
    }
}
