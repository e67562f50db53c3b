package app.unciala.server.license;

import app.unciala.font.budget.Budget;
import app.unciala.font.budget.BudgetSpentException;
import app.unciala.server.fault.Fault;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.concurrent.Callable;
import java.util.concurrent.CompletionException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.atomic.AtomicBoolean;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.io.RandomAccessReadBufferedFile;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.encryption.InvalidPasswordException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** Reads documents beside the requests, for no longer than a person waits; a damaged one is refused by its name. */
@Component
class DocumentReading {
    private static final Duration MOST = Duration.ofSeconds(20);
    private static final String TOO_LONG = "takes too long to read; paste its text instead";
    /** How far from its beginning a PDF says that it is one, in bytes. */
    static final int HEAD = 1024;

    private static final String PDF = "%PDF-";
    private static final Logger LOG = LoggerFactory.getLogger(DocumentReading.class);

    private final ExecutorService threads = Executors.newFixedThreadPool(2);

    /** What a reading gives; refused with its reason when it fails or takes too long. */
    <T> T of(String name, Callable<T> read) {
        AtomicBoolean givenUp = new AtomicBoolean();
        Future<T> result = threads.submit(() -> Budget.within(MOST, givenUp::get, () -> called(read)));
        try {
            return result.get(MOST.toSeconds(), TimeUnit.SECONDS);
        } catch (TimeoutException e) {
            givenUp.set(true);
            result.cancel(true);
            throw refused(name, TOO_LONG);
        } catch (InterruptedException e) {
            givenUp.set(true);
            result.cancel(true);
            Thread.currentThread().interrupt();
            throw refused(name, "was not read; try again");
        } catch (ExecutionException e) {
            if (e.getCause() instanceof Fault fault) {
                throw fault;
            }
            if (e.getCause() instanceof BudgetSpentException) {
                throw refused(name, TOO_LONG);
            }
            LOG.info("“{}” cannot be read", name, e.getCause());
            throw refused(name, "is damaged; save it again, or paste its text");
        }
    }

    private static <T> T called(Callable<T> read) {
        try {
            return read.call();
        } catch (RuntimeException e) {
            throw e;
        } catch (Exception e) {
            throw new CompletionException(e);
        }
    }

    static boolean isPdf(Path file) throws IOException {
        return isPdf(head(file));
    }

    static boolean isPdf(byte[] head) {
        return new String(head, StandardCharsets.ISO_8859_1).contains(PDF);
    }

    /** The first bytes of a file, by which it says what it is. */
    static byte[] head(Path file) throws IOException {
        try (var in = Files.newInputStream(file)) {
            return in.readNBytes(HEAD);
        }
    }

    /** Opens a PDF; refused with its reason when it is encrypted. */
    static PDDocument openPdf(Path file, String name) throws IOException {
        try {
            return Loader.loadPDF(new RandomAccessReadBufferedFile(file));
        } catch (InvalidPasswordException e) {
            throw refused(name, "is encrypted; save it without a password");
        }
    }

    static Fault refused(String name, String why) {
        return Fault.invalid("file", "“" + name + "” " + why + ".");
    }

    @PreDestroy
    void stop() {
        threads.shutdownNow();
    }
}
