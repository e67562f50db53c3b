package app.unciala.core.face;

import java.util.List;

/** Which face a file holds: its family and its slot, with the evidence that speaks for and against. */
public record FaceIdentity(String family, String subfamily, Slot slot, List<Evidence> evidence) {
    public FaceIdentity {
        evidence = List.copyOf(evidence);
    }

    /** The evidence that disagrees with what was settled on. */
    public List<Evidence> conflicts() {
        return evidence.stream().filter(item -> !item.agrees()).toList();
    }
}
