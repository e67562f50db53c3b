package app.unciala.server.license;

import app.unciala.core.license.TermsReader.AgreementPage;
import app.unciala.server.inventory.Texts;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.springframework.stereotype.Component;

/** The text of agreements, page by page: of PDF documents and of plain text. Nothing in a document is run. */
@Component
class AgreementText {
    static final long LONGEST = 20_000_000;
    private static final int MOST_PAGES = 200;
    private static final int MOST_LETTERS = 1_000_000;

    private final DocumentReading reading;

    AgreementText(DocumentReading reading) {
        this.reading = reading;
    }

    /** The pages of a file; refused with its reason when it is neither, too long, encrypted or damaged. */
    List<AgreementPage> read(Path file, String name) {
        return reading.of(name, () -> pages(file, name));
    }

    private static List<AgreementPage> pages(Path file, String name) throws IOException {
        if (Files.size(file) > LONGEST) {
            throw DocumentReading.refused(name, "is longer than 20 MB; paste the part that says what is permitted");
        }
        byte[] head = DocumentReading.head(file);
        if (DocumentReading.isPdf(head)) {
            return ofPdf(file, name);
        }
        if (isBinary(head) && !Texts.isUtf16(head)) {
            throw DocumentReading.refused(
                    name, "is neither a PDF nor plain text; save it as one of them, or paste its text");
        }
        return List.of(new AgreementPage(0, Texts.cut(Texts.decoded(Files.readAllBytes(file)), MOST_LETTERS)));
    }

    private static List<AgreementPage> ofPdf(Path file, String name) throws IOException {
        try (PDDocument document = DocumentReading.openPdf(file, name)) {
            PDFTextStripper stripper = new BoundedPdf.Text();
            List<AgreementPage> pages = new ArrayList<>();
            int letters = 0;
            int last = Math.min(MOST_PAGES, document.getNumberOfPages());
            for (int number = 1; number <= last && letters < MOST_LETTERS; number++) {
                stripper.setStartPage(number);
                stripper.setEndPage(number);
                String text = stripper.getText(document);
                letters += text.length();
                pages.add(new AgreementPage(number, text));
            }
            if (pages.stream().allMatch(page -> page.text().isBlank())) {
                throw DocumentReading.refused(name, "has no text, only pictures of it; paste what it says");
            }
            return pages;
        }
    }

    private static boolean isBinary(byte[] head) {
        return IntStream.range(0, head.length).anyMatch(at -> head[at] == 0);
    }
}
