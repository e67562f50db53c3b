package app.unciala.core.license;

import static app.unciala.core.license.Clause.GRANTED;
import static app.unciala.core.license.Clause.NOT_STATED;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The open licenses that fonts come under, by their SPDX identifiers, with what their texts say about fonts on the web.
 * They hold for every domain and every format, and do not end.
 */
public enum OpenLicense {
    OFL_1_1(
            "OFL-1.1",
            "SIL Open Font License 1.1",
            "SIL open font license,? (\\(OFL\\),? )?(- )?v(ersion|\\.)? ?1\\.1|OFL[- ]?1\\.1",
            "(scripts\\.sil\\.org/OFL|openfontlicense\\.org)",
            GRANTED),
    OFL_1_0(
            "OFL-1.0",
            "SIL Open Font License 1.0",
            "SIL open font license,? (\\(OFL\\),? )?(- )?v(ersion|\\.)? ?1\\.0|OFL[- ]?1\\.0",
            "scripts\\.sil\\.org/OFL10",
            GRANTED),
    APACHE_2_0(
            "Apache-2.0",
            "Apache License 2.0",
            "apache license,? (v(ersion|\\.)? ?)?2\\.0",
            "apache\\.org/licenses/LICENSE-2\\.0",
            GRANTED),
    UBUNTU_1_0(
            "Ubuntu-font-1.0",
            "Ubuntu Font License 1.0",
            "ubuntu font licen[cs]e,? (v(ersion|\\.)? ?)?1\\.0",
            "font\\.ubuntu\\.com/(ufl|licen[cs]e)|launchpad\\.net/ubuntu-font-licen[cs]e",
            GRANTED),
    BITSTREAM_VERA(
            "Bitstream-Vera",
            "Bitstream Vera License",
            "bitstream vera is a trademark of bitstream",
            "gnome\\.org/fonts|dejavu(-fonts)?\\.\\w+(\\.net|\\.org)?/wiki/(index\\.php/)?License",
            GRANTED),
    CC0_1_0(
            "CC0-1.0",
            "CC0 1.0 Universal",
            "CC0[- ]1\\.0|creative commons (zero|CC0)|CC0 public domain",
            "creativecommons\\.org/publicdomain/zero/1\\.0",
            GRANTED),
    CC_BY_4_0(
            "CC-BY-4.0",
            "Creative Commons Attribution 4.0",
            "CC[- ]BY[- ]4\\.0|creative commons attribution 4\\.0",
            "creativecommons\\.org/licenses/by/4\\.0",
            GRANTED),
    CC_BY_SA_4_0(
            "CC-BY-SA-4.0",
            "Creative Commons Attribution-ShareAlike 4.0",
            "CC[- ]BY[- ]SA[- ]4\\.0|creative commons attribution-share ?alike 4\\.0",
            "creativecommons\\.org/licenses/by-sa/4\\.0",
            GRANTED),
    MPLUS("mplus", "M+ Fonts License", "M\\+ fonts? (licen[cs]e|project)", "mplus-fonts\\.", GRANTED),
    IPA(
            "IPA",
            "IPA Font License 1.0",
            "IPA font license( agreement)? v(ersion)? ?1\\.0",
            "ipafont\\.ipa\\.go\\.jp",
            GRANTED),
    ARPHIC("Arphic-1999", "Arphic Public License", "arphic public license", "", GRANTED),
    LPPL_1_3C(
            "LPPL-1.3c",
            "LaTeX Project Public License 1.3c",
            "latex project public license,? (v(ersion|\\.)? ?)?1\\.3c",
            "latex-project\\.org/lppl",
            GRANTED),
    GPL_WITH_FONT_EXCEPTION_3(
            "GPL-3.0-or-later WITH Font-exception-2.0",
            "GNU General Public License 3 with the font exception",
            "general public license",
            "",
            GRANTED,
            "font exception",
            "version 3|gplv3"),
    GPL_WITH_FONT_EXCEPTION_2(
            "GPL-2.0-or-later WITH Font-exception-2.0",
            "GNU General Public License 2 with the font exception",
            "general public license",
            "",
            GRANTED,
            "font exception"),
    GPL_3_0(
            "GPL-3.0-or-later",
            "GNU General Public License 3",
            "general public license",
            "gnu\\.org/licenses/gpl(-3\\.0)?(?![-\\w])",
            NOT_STATED,
            "version 3|gplv3"),
    GPL_2_0(
            "GPL-2.0-or-later",
            "GNU General Public License 2",
            "general public license",
            "gnu\\.org/licenses/(old-licenses/)?gpl-2\\.0",
            NOT_STATED,
            "version 2|gplv2"),
    MIT(
            "MIT",
            "MIT License",
            "\\bMIT licen[cs]e|permission is hereby granted, free of charge, to any person obtaining a copy of this software",
            "opensource\\.org/licenses?/MIT\\b",
            GRANTED);

    private final String spdx;
    private final String title;
    private final Pattern text;
    private final List<Pattern> also;
    private final Optional<Pattern> address;
    private final Clause granted;

    /**
     * @param text words that its text has and no other has before them
     * @param address where a font's license URL leads, or nothing when it has no place of its own
     * @param also words that must be there too, wherever they stand
     */
    OpenLicense(String spdx, String title, String text, String address, Clause granted, String... also) {
        this.spdx = spdx;
        this.title = title;
        this.text = words(text);
        this.address = address.isEmpty() ? Optional.empty() : Optional.of(words(address));
        this.granted = granted;
        this.also = Arrays.stream(also).map(OpenLicense::words).toList();
    }

    private static Pattern words(String pattern) {
        return Pattern.compile(pattern, Pattern.CASE_INSENSITIVE);
    }

    /** The identifier in the SPDX License List, or an expression of two. */
    public String spdx() {
        return spdx;
    }

    public String title() {
        return title;
    }

    /** What its text says of serving, converting and cutting fonts for web pages; silent where it speaks of programs only. */
    public Clause granted() {
        return granted;
    }

    /** Where a text says that it is this license. */
    Optional<MatchResult> in(String line) {
        Matcher matcher = text.matcher(line);
        return matcher.find()
                        && also.stream().allMatch(words -> words.matcher(line).find())
                ? Optional.of(matcher.toMatchResult())
                : Optional.empty();
    }

    boolean isAt(String url) {
        return address.filter(pattern -> pattern.matcher(url).find()).isPresent();
    }

    /** The license of an SPDX identifier, whatever its case. */
    public static Optional<OpenLicense> ofSpdx(String identifier) {
        return Arrays.stream(values())
                .filter(license -> license.spdx.equalsIgnoreCase(identifier))
                .findFirst();
    }
}
