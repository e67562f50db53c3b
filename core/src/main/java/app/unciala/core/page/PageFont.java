package app.unciala.core.page;

import app.unciala.core.page.PageFonts.Tried;
import app.unciala.font.FontFormat;
import java.util.List;

/**
 * A font file that a page can use.
 *
 * @param url the address at the end of all redirects, as {@link Run.Given} names it
 */
public record PageFont(String url, FontFormat format, byte[] bytes) {
    static List<PageFont> of(List<Tried> fonts) {
        return fonts.stream()
                .flatMap(tried -> tried.font().stream())
                .map(font -> new PageFont(font.at(), font.format(), font.bytes()))
                .toList();
    }
}
