package app.unciala.core.pack;

import app.unciala.core.license.Clearance;
import app.unciala.core.license.Clearance.Answer;
import app.unciala.core.license.Clearance.FormatAnswer;
import app.unciala.core.license.SourceFile;
import app.unciala.core.license.Verdict;
import app.unciala.font.FontFormat;
import app.unciala.font.face.Slot;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;

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
     * @param goesOut the slot that goes out, where it is known
     * @param permissions what else is done with it where its licenses let it, such as {@code subsetting} or {@code WOFF},
     *     with the answer; none are known of packs of earlier versions
     */
    public record AskedFace(
            String role,
            String familyId,
            String familyName,
            Slot slot,
            Verdict verdict,
            String whyNot,
            Optional<String> sha256,
            Optional<Slot> goesOut,
            Map<String, Answer> permissions) {
        private static final String SUBSETTING = "subsetting";

        public AskedFace {
            permissions = new TreeMap<>(permissions);
        }

        /** A face of which no more is known. */
        public AskedFace(
                String role,
                String familyId,
                String familyName,
                Slot slot,
                Verdict verdict,
                String whyNot,
                Optional<String> sha256) {
            this(role, familyId, familyName, slot, verdict, whyNot, sha256, Optional.empty(), Map.of());
        }

        /** A face with what may go out of it. */
        public static AskedFace of(String role, String familyId, String familyName, Slot slot, Clearance clearance) {
            return new AskedFace(
                    role,
                    familyId,
                    familyName,
                    slot,
                    clearance.verdict(),
                    clearance.answer().why(),
                    clearance.source().map(SourceFile::sha256),
                    Optional.of(clearance.slot()),
                    permissions(
                            clearance.isSubsetWanted() ? Optional.of(clearance.subsetting()) : Optional.empty(),
                            clearance.formats().stream()
                                    .collect(Collectors.toMap(FormatAnswer::format, FormatAnswer::answer))));
        }

        /** What is done with a face where its licenses let it; {@code subsetting} where that is wanted. */
        public static Map<String, Answer> permissions(Optional<Answer> subsetting, Map<FontFormat, Answer> formats) {
            Map<String, Answer> permissions = new TreeMap<>();
            subsetting.ifPresent(answer -> permissions.put(SUBSETTING, answer));
            formats.forEach((format, answer) -> permissions.put(format.label(), answer));
            return permissions;
        }

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
            changes.add("The site’s domains are now " + String.join(", ", now.domains) + ".");
        }
        if (delivery.isPresent() && !delivery.equals(now.delivery)) {
            changes.add("The site’s delivery has changed.");
        }
        if (roles.isPresent() && !roles.equals(now.roles)) {
            changes.add("The settings of its text roles have changed.");
        }
        Map<String, AskedFace> before = byRole(faces);
        byRole(now.faces).forEach((key, face) -> Optional.ofNullable(before.get(key))
                .ifPresentOrElse(
                        old -> changes.addAll(differences(old, face)),
                        () -> changes.add(face.role() + " now asks for " + face.name() + ".")));
        return changes;
    }

    /** The faces that a pack made from this delivers, and that no role asks for any more. */
    public List<AskedFace> unaskedBy(PackBasis now, boolean anyway) {
        return faces.stream()
                .filter(face -> face.isDelivered(anyway))
                .filter(face -> now.faces.stream().noneMatch(face::isSameFace))
                .toList();
    }

    private static List<String> differences(AskedFace before, AskedFace after) {
        if (before.verdict() != after.verdict()) {
            return List.of(turned(after.name(), new Answer(after.verdict(), after.whyNot())));
        }
        if (!before.familyName().equals(after.familyName())) {
            return List.of(before.familyName() + " is now called " + after.familyName() + ".");
        }
        if (before.sha256().isEmpty() != after.sha256().isEmpty()) {
            return List.of(after.name() + (after.sha256().isEmpty() ? " is no longer held." : " is now held."));
        }
        if (!before.sha256().equals(after.sha256())) {
            return List.of("Another file is now held for " + after.name() + ".");
        }
        List<String> changes = new ArrayList<>();
        after.permissions().forEach((what, answer) -> {
            Verdict was = Optional.ofNullable(before.permissions().get(what))
                    .map(Answer::verdict)
                    .orElse(answer.verdict());
            if (was != answer.verdict() && (was == Verdict.ALLOWED || answer.verdict() == Verdict.ALLOWED)) {
                changes.add(turned(
                        what.equals(AskedFace.SUBSETTING) ? "Subsetting " + after.name() : after.name() + " as " + what,
                        answer));
            }
        });
        if (before.goesOut().isPresent() && !before.goesOut().equals(after.goesOut())) {
            after.goesOut()
                    .ifPresent(slot -> changes.add(after.familyName() + " now goes out as " + slot.label()
                            + ", as far as its licenses cover it."));
        }
        return changes;
    }

    private static String turned(String what, Answer now) {
        return switch (now.verdict()) {
            case ALLOWED -> what + " is now allowed.";
            case REFUSED -> what + " is no longer allowed: " + now.why() + ".";
            case NOT_STATED -> what + ": whether it may be used is no longer stated: " + now.why() + ".";
        };
    }

    private static Map<String, AskedFace> byRole(List<AskedFace> faces) {
        Map<String, AskedFace> map = new LinkedHashMap<>();
        faces.forEach(face -> map.put(face.key(), face));
        return map;
    }
}
