package app.unciala.server.license;

import app.unciala.font.budget.Budget;
import java.io.IOException;
import java.util.List;
import org.apache.pdfbox.contentstream.operator.Operator;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.graphics.image.PDImage;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.rendering.PageDrawer;
import org.apache.pdfbox.rendering.PageDrawerParameters;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;

/** The text and the pictures of PDF pages, each operator within the budget of the work. */
final class BoundedPdf {
    /** Pixels of a picture; a page scanned at 1200 dots per inch has 140 million. */
    static final long MOST_PIXELS = 150_000_000;

    private BoundedPdf() {}

    static final class Text extends PDFTextStripper {
        @Override
        protected void processOperator(Operator operator, List<COSBase> operands) throws IOException {
            Budget.check();
            super.processOperator(operator, operands);
        }

        @Override
        protected void processTextPosition(TextPosition text) {
            Budget.check();
            super.processTextPosition(text);
        }
    }

    static final class Pictures extends PDFRenderer {
        Pictures(PDDocument document) {
            super(document);
        }

        @Override
        protected PageDrawer createPageDrawer(PageDrawerParameters parameters) throws IOException {
            return new Drawer(parameters);
        }
    }

    private static final class Drawer extends PageDrawer {
        Drawer(PageDrawerParameters parameters) throws IOException {
            super(parameters);
        }

        @Override
        protected void processOperator(Operator operator, List<COSBase> operands) throws IOException {
            Budget.check();
            super.processOperator(operator, operands);
        }

        /** Leaves out what would take more memory and time to unpack than any scanned page does. */
        @Override
        public void drawImage(PDImage image) throws IOException {
            if ((long) image.getWidth() * image.getHeight() <= MOST_PIXELS) {
                super.drawImage(image);
            }
        }
    }
}
