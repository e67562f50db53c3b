package app.unciala.core.check;

import app.unciala.core.page.PageFinding;
import app.unciala.core.page.PageFont;
import app.unciala.core.page.PageReading;
import app.unciala.core.page.PageRequest;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** A page as it is seen on a laptop and on a phone. */
public record CheckedPage(PageReading laptop, PageReading phone) {
    public String url() {
        return laptop.url();
    }

    /** A finding, and whether it is true on a phone only. */
    public record Seen(PageFinding finding, boolean onPhoneOnly) {}

    /** What is wrong on a laptop, the graver first, and then what is wrong on a phone only. */
    public List<Seen> findings() {
        List<Seen> findings = new ArrayList<>();
        Set<PageFinding> known = new HashSet<>(laptop.findings());
        laptop.findings().forEach(finding -> findings.add(new Seen(finding, false)));
        phone.findings().stream()
                .filter(finding -> !known.contains(finding))
                .filter(finding -> !isOfOneWindow(finding))
                .forEach(finding -> findings.add(new Seen(finding, true)));
        return findings;
    }

    /** What is unused in one window may be used in the other. */
    private static boolean isOfOneWindow(PageFinding finding) {
        return switch (finding.kind()) {
            case UNUSED_FACE, UNUSED_PRELOAD -> true;
            default -> false;
        };
    }

    /** What either asks for, each address once. */
    public List<PageRequest> requests() {
        Map<String, PageRequest> byUrl = new LinkedHashMap<>();
        laptop.requests().forEach(request -> byUrl.putIfAbsent(request.url(), request));
        phone.requests().forEach(request -> byUrl.putIfAbsent(request.url(), request));
        return List.copyOf(byUrl.values());
    }

    /** The fonts that either can use, each address once. */
    public List<PageFont> fonts() {
        Map<String, PageFont> byUrl = new LinkedHashMap<>();
        laptop.fonts().forEach(font -> byUrl.putIfAbsent(font.url(), font));
        phone.fonts().forEach(font -> byUrl.putIfAbsent(font.url(), font));
        return List.copyOf(byUrl.values());
    }
}
