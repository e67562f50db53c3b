package app.unciala.server.license;

import app.unciala.core.license.TermsReader.AgreementPage;
import app.unciala.server.fault.Fault;
import app.unciala.server.inventory.Texts;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.io.RandomAccessReadBufferedFile;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.encryption.InvalidPasswordException;
import org.apache.pdfbox.text.PDFTextStripper;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** The text of agreements, page by page: of PDF documents and of plain text. Nothing in a document is run. */
@Component
class AgreementText {
    static final long LONGEST = 20_000_000;
    private static final int MOST_PAGES = 200;
    private static final int MOST_LETTERS = 1_000_000;
    private static final int MOST_SECONDS = 20;
    /** How far from its beginning a PDF says that it is one, in bytes. */
    private static final int HEAD = 1024;

    private static final String PDF = "%PDF-";
    private static final Logger LOG = LoggerFactory.getLogger(AgreementText.class);

    private final ExecutorService reading = Executors.newFixedThreadPool(2);

    /** The pages of a file; refused with its reason when it is neither, too long, encrypted or damaged. */
    List<AgreementPage> read(Path file, String name) {
        Future<List<AgreementPage>> pages = reading.submit(() -> pages(file, name));
        try {
            return pages.get(MOST_SECONDS, TimeUnit.SECONDS);
        } catch (TimeoutException e) {
            pages.cancel(true);
            throw refused(name, "takes too long to read; paste its text instead");
        } catch (InterruptedException e) {
            pages.cancel(true);
            Thread.currentThread().interrupt();
            throw refused(name, "was not read; try again");
        } catch (ExecutionException e) {
            if (e.getCause() instanceof Fault fault) {
                throw fault;
            }
            LOG.info("“{}” cannot be read", name, e.getCause());
            throw refused(name, "is damaged; save it again, or paste its text");
        }
    }

    private static List<AgreementPage> pages(Path file, String name) throws IOException {
        if (Files.size(file) > LONGEST) {
            throw refused(name, "is longer than 20 MB; paste the part that says what is permitted");
        }
        try (var in = Files.newInputStream(file)) {
            byte[] bytes = in.readNBytes(HEAD);
            String head = new String(bytes, StandardCharsets.ISO_8859_1);
            if (head.contains(PDF)) {
                return ofPdf(file, name);
            }
            if (head.indexOf('\0') >= 0 && !Texts.isUtf16(bytes)) {
                throw refused(name, "is neither a PDF nor plain text; save it as one of them, or paste its text");
            }
        }
        return List.of(new AgreementPage(0, Texts.cut(Texts.decoded(Files.readAllBytes(file)), MOST_LETTERS)));
    }

    private static List<AgreementPage> ofPdf(Path file, String name) throws IOException {
        try (PDDocument document = Loader.loadPDF(new RandomAccessReadBufferedFile(file))) {
            PDFTextStripper stripper = new PDFTextStripper();
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
                throw refused(name, "has no text, only pictures of it; paste what it says");
            }
            return pages;
        } catch (InvalidPasswordException e) {
            throw refused(name, "is encrypted; save it without a password");
        }
    }

    private static Fault refused(String name, String why) {
        return Fault.invalid("file", "“" + name + "” " + why + ".");
    }

    @PreDestroy
    void stop() {
        reading.shutdownNow();
    }
}
