package app.unciala.core.pack;

import app.unciala.core.license.Verdict;
import app.unciala.font.FontFormat;
import app.unciala.font.face.Slot;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/**
 * What a pack is made from: from equal bases equal packs are made.
 *
 * @param roles the settings of the text roles besides their faces, in any text that is equal for equal settings; not
 *     known of packs of earlier versions
 * @param delivery how fonts are cut and placed, likewise
 */
public record PackBasis(
        List<String> domains, List<AskedFace> faces, Optional<String> roles, Optional<String> delivery) {
    /**
     * A face that a text role asks for.
     *
     * @param role the role's name
     * @param whyNot the first reason against it; empty where it is allowed
     * @param sha256 the file that it is made from, if one is held
     */
    public record AskedFace(
            String role,
            String familyId,
            String familyName,
            Slot slot,
            Verdict verdict,
            String whyNot,
            Optional<String> sha256) {
        /** Whether a pack has it; {@code anyway} when it was made with what is not allowed. */
        public boolean isDelivered(boolean anyway) {
            return sha256.isPresent() && (anyway || verdict == Verdict.ALLOWED);
        }

        public String name() {
            return familyName + " " + slot.label();
        }

        private String key() {
            return role + " " + familyId + " " + slot.key();
        }

        private boolean isSameFace(AskedFace other) {
            return familyId.equals(other.familyId) && slot.equals(other.slot);
        }
    }

    public PackBasis {
        domains = List.copyOf(domains);
        faces = List.copyOf(faces);
    }

    /** What changed since a pack was made from this, in sentences; none when the same pack would be made again. */
    public List<String> changedTo(PackBasis now) {
        List<String> changes = otherwiseChangedTo(now);
        Map<String, AskedFace> after = byRole(now.faces);
        byRole(faces).forEach((key, face) -> {
            if (!after.containsKey(key)) {
                changes.add(face.role() + " no longer asks for " + face.name() + ".");
            }
        });
        return changes.stream().distinct().toList();
    }

    /** What changed besides that faces are not asked for any more. */
    public List<String> otherwiseChangedTo(PackBasis now) {
        List<String> changes = new ArrayList<>();
        if (!domains.equals(now.domains)) {
            changes.add("The site’s domains are " + String.join(", ", now.domains) + " by now.");
        }
        if (delivery.isPresent() && !delivery.equals(now.delivery)) {
            changes.add("How the site’s fonts are delivered is described otherwise by now.");
        }
        if (roles.isPresent() && !roles.equals(now.roles)) {
            changes.add("The settings of its text roles are others by now.");
        }
        Map<String, AskedFace> before = byRole(faces);
        byRole(now.faces).forEach((key, face) -> Optional.ofNullable(before.get(key))
                .ifPresentOrElse(
                        old -> difference(old, face).ifPresent(changes::add),
                        () -> changes.add(face.role() + " asks for " + face.name() + " by now.")));
        return changes;
    }

    /** The faces that a pack made from this delivers, and that no role asks for any more. */
    public List<AskedFace> unaskedBy(PackBasis now, boolean anyway) {
        return faces.stream()
                .filter(face -> face.isDelivered(anyway))
                .filter(face -> now.faces.stream().noneMatch(face::isSameFace))
                .toList();
    }

    private static Optional<String> difference(AskedFace before, AskedFace after) {
        if (before.verdict() != after.verdict()) {
            return Optional.of(
                    switch (after.verdict()) {
                        case ALLOWED -> after.name() + " is allowed by now.";
                        case REFUSED -> after.name() + " is no longer allowed: " + after.whyNot() + ".";
                        case NOT_STATED ->
                            after.name() + ": whether it may be used is no longer stated: " + after.whyNot() + ".";
                    });
        }
        if (!before.familyName().equals(after.familyName())) {
            return Optional.of(before.familyName() + " is called " + after.familyName() + " by now.");
        }
        if (before.sha256().isEmpty() != after.sha256().isEmpty()) {
            return Optional.of(
                    after.name() + (after.sha256().isEmpty() ? " is not held any more." : " is held by now."));
        }
        return before.sha256().equals(after.sha256())
                ? Optional.empty()
                : Optional.of("Another file is held for " + after.name() + " by now.");
    }

    /** The order in which files of one face are taken: the vendor's own WOFF 2, one made here, any to make it from. */
    public static <T> Comparator<T> takenFirst(
            Function<T, String> format, Function<T, Boolean> madeHere, Function<T, String> id) {
        return Comparator.comparing((T file) -> !format.apply(file).equals(FontFormat.WOFF2.key()))
                .thenComparing(madeHere)
                .thenComparing(id);
    }

    private static Map<String, AskedFace> byRole(List<AskedFace> faces) {
        Map<String, AskedFace> map = new LinkedHashMap<>();
        faces.forEach(face -> map.put(face.key(), face));
        return map;
    }
}
