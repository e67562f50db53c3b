package app.unciala.font.face;

import app.unciala.font.face.StyleNames.Said;
import java.util.List;
import java.util.Optional;

/** Which face a file holds: its family and its slot, with the evidence that speaks for and against. */
public record FaceIdentity(String family, String subfamily, Slot slot, List<Evidence> evidence) {
    private static final double FAR_APART = 150;

    public FaceIdentity {
        evidence = List.copyOf(evidence);
    }

    /**
     * Where the file's own name for its style and its tables are far apart: two steps of weight and more, or upright
     * against sloped. Empty where they agree well enough; a variable face is not asked for its weight.
     */
    public Optional<String> contradiction() {
        Said said = StyleNames.read(subfamily);
        boolean single = slot.weight().isSingle();
        Optional<Integer> weight = said.weight()
                .filter(named -> single && Math.abs(named - slot.weight().min()) > FAR_APART);
        if (weight.isPresent()) {
            return Optional.of("its name says " + subfamily + ", its tables weight " + slot.weight());
        }
        return said.slope()
                .filter(named -> (named == Slope.UPRIGHT) != (slot.slope() == Slope.UPRIGHT))
                .map(named -> "its name says " + subfamily + ", its tables "
                        + slot.slope().key());
    }

    /** The evidence that disagrees with what was settled on. */
    public List<Evidence> conflicts() {
        return evidence.stream().filter(item -> !item.agrees()).toList();
    }
}
