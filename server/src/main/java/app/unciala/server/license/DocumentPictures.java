package app.unciala.server.license;

import app.unciala.server.fault.Fault;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Iterator;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.rendering.ImageType;
import org.springframework.stereotype.Component;

/** Pictures of the pages of documents, so that a document is shown without a program that runs what is in it. */
@Component
class DocumentPictures {
    /** About how wide the picture of an upright page is, in pixels. */
    private static final int WIDTH = 1100;

    /** How long the longer side of a page is, in pixels. */
    private static final float LENGTH = 1.3f * WIDTH;

    private static final int TALLEST = 4 * WIDTH;
    private static final float POINTS_PER_INCH = 72;

    private final DocumentReading reading;

    DocumentPictures(DocumentReading reading) {
        this.reading = reading;
    }

    /** How many pages a document has that can be shown: of a picture one, of a text none. */
    int pages(Path file, String name) {
        return reading.of(name, () -> {
            if (!DocumentReading.isPdf(file)) {
                return isPicture(file) ? 1 : 0;
            }
            try (PDDocument document = DocumentReading.openPdf(file, name)) {
                return document.getNumberOfPages();
            }
        });
    }

    /** A page as PNG, counted from 1. */
    byte[] png(Path file, String name, int page) {
        return reading.of(name, () -> {
            BufferedImage picture = DocumentReading.isPdf(file) ? ofPdf(file, name, page) : ofPicture(file, name);
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            ImageIO.write(picture, "png", bytes);
            return bytes.toByteArray();
        });
    }

    private static BufferedImage ofPdf(Path file, String name, int page) throws IOException {
        try (PDDocument document = DocumentReading.openPdf(file, name)) {
            if (page < 1 || page > document.getNumberOfPages()) {
                throw Fault.notFound("page", String.valueOf(page));
            }
            PDRectangle size = document.getPage(page - 1).getCropBox();
            float longest = Math.max(size.getWidth(), size.getHeight());
            float inches = Math.max(1, longest / POINTS_PER_INCH);
            return new BoundedPdf.Pictures(document).renderImageWithDPI(page - 1, LENGTH / inches, ImageType.RGB);
        }
    }

    private static boolean isPicture(Path file) throws IOException {
        try (ImageInputStream in = ImageIO.createImageInputStream(file.toFile())) {
            return in != null && ImageIO.getImageReaders(in).hasNext();
        }
    }

    /** A picture at a size for reading; a large one is read with pixels left out, so that it never stands in memory. */
    private static BufferedImage ofPicture(Path file, String name) throws IOException {
        try (ImageInputStream in = ImageIO.createImageInputStream(file.toFile())) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
            if (!readers.hasNext()) {
                throw DocumentReading.refused(name, "is no picture that can be shown");
            }
            ImageReader reader = readers.next();
            try {
                reader.setInput(in, true, true);
                if ((long) reader.getWidth(0) * reader.getHeight(0) > BoundedPdf.MOST_PIXELS) {
                    throw DocumentReading.refused(name, "has too many pixels to be shown; save it smaller");
                }
                int step = Math.max(1, Math.max(reader.getWidth(0) / WIDTH, reader.getHeight(0) / TALLEST));
                ImageReadParam param = reader.getDefaultReadParam();
                param.setSourceSubsampling(step, step, 0, 0);
                return reader.read(0, param);
            } finally {
                reader.dispose();
            }
        }
    }
}
