package app.unciala.core.page;

import app.unciala.core.page.PageFonts.Tried;
import app.unciala.core.page.Resources.Resource;
import app.unciala.core.page.Resources.Use;
import com.google.common.hash.Hashing;
import java.util.List;
import java.util.stream.Stream;

/**
 * A style sheet or a font that a page asks for.
 *
 * @param url the address at the end of all redirects
 * @param status of HTTP; 0 when there was no answer
 * @param bytes of the answer, unpacked
 * @param sha256 of those, in hexadecimal digits
 */
public record PageRequest(String url, Use use, int status, int bytes, String sha256) {
    static List<PageRequest> of(List<Resource> sheets, List<Tried> fonts) {
        return Stream.concat(
                        sheets.stream().map(sheet -> of(sheet, Use.STYLE_SHEET)),
                        fonts.stream()
                                .filter(tried -> !Addresses.isInline(tried.url()))
                                .map(tried -> of(tried.answer(), Use.FONT)))
                .toList();
    }

    private static PageRequest of(Resource answer, Use use) {
        byte[] bytes = answer.bytes();
        return new PageRequest(
                answer.url(),
                use,
                answer.status(),
                bytes.length,
                Hashing.sha256().hashBytes(bytes).toString());
    }

    /** The host that is asked, in lower case; empty for a file. */
    public String host() {
        return Addresses.host(url);
    }

    /** Its name without the folders before it. */
    public String fileName() {
        return Addresses.fileName(url);
    }
}
