package app.unciala.server.demo;

import app.unciala.demo.Deal;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts.FontName;

/** A made-up invoice for a license of the demonstration, as a PDF of one page. */
final class DemoInvoice {
    private static final float LEFT = 72;
    private static final float TOP = 740;
    private static final float LEADING = 26;

    private DemoInvoice() {}

    static byte[] of(Deal deal, LocalDate day) {
        List<String> lines = List.of(
                "Invoice " + (1000 + deal.daysAgo()),
                deal.vendor(),
                day.toString(),
                "",
                deal.name(),
                String.format(Locale.ROOT, "EUR %.2f", deal.price() / 100.0),
                "",
                "Made up for a demonstration.");
        try (PDDocument document = new PDDocument()) {
            PDPage page = new PDPage(PDRectangle.A4);
            document.addPage(page);
            try (PDPageContentStream content = new PDPageContentStream(document, page)) {
                content.beginText();
                content.setFont(new PDType1Font(FontName.HELVETICA), 14);
                content.newLineAtOffset(LEFT, TOP);
                for (String line : lines) {
                    content.showText(line);
                    content.newLineAtOffset(0, -LEADING);
                }
                content.endText();
            }
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
