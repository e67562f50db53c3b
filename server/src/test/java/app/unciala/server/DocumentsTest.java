package app.unciala.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.server.testing.Caller;
import app.unciala.server.testing.Caller.Answer;
import app.unciala.server.testing.Documents;
import app.unciala.server.testing.RunningServer;
import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.stream.IntStream;
import java.util.zip.CRC32;
import java.util.zip.Deflater;
import java.util.zip.DeflaterOutputStream;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** The documents of a license: kinds of proof, each shown as pictures or text, over HTTP. */
class DocumentsTest {
    @RegisterExtension
    static final RunningServer SERVER = RunningServer.empty();

    private static Caller caller;
    private static String license;

    @BeforeAll
    static void fill() {
        caller = SERVER.signIn();
        license = "/api/licenses/"
                + caller.send("POST", "/api/licenses", Map.of("name", "With proofs"))
                        .json()
                        .get("id")
                        .asString();
    }

    @Test
    void aPdfIsShownPageByPageAsPictures() throws IOException {
        String document = attach("INVOICE", "invoice.pdf", Documents.pdf(null, List.of("One"), List.of("Two")));
        JsonNode shown = caller.get(document).json();
        assertThat(shown.get("pages").asInt()).isEqualTo(2);
        assertThat(shown.get("text").asString()).isEmpty();
        Answer page = caller.get(document + "/pages/2");
        assertThat(page.header("Content-Type")).isEqualTo("image/png");
        BufferedImage picture = picture(page);
        assertThat(picture.getWidth()).isBetween(800, 1500);
        assertThat(darkPixels(picture)).as("letters are drawn").isBetween(50L, 100_000L);
        assertThat(caller.get(document + "/pages/3").status()).isEqualTo(404);
        assertThat(caller.get(document + "/pages/0").status()).isEqualTo(404);
        assertThat(caller.get(license + "/documents/nothing").status()).isEqualTo(404);
    }

    @Test
    void aPictureIsShownSmallerAndATextAsText() throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(5000, 3000, BufferedImage.TYPE_INT_RGB), "png", bytes);
        String photo = attach("ORDER", "order.png", bytes.toByteArray());
        assertThat(caller.get(photo).json().get("pages").asInt()).isEqualTo(1);
        assertThat(picture(caller.get(photo + "/pages/1")).getWidth()).isBetween(1000, 2200);
        String letter = attach(
                "CORRESPONDENCE",
                "mail.txt",
                "Yes, you may.<script>alert(1)</script>".getBytes(StandardCharsets.UTF_8));
        JsonNode shown = caller.get(letter).json();
        assertThat(shown.get("pages").asInt()).isZero();
        assertThat(shown.get("text").asString()).isEqualTo("Yes, you may.<script>alert(1)</script>");
        JsonNode kinds = caller.get(license).json().get("agreement");
        assertThat(kinds.valueStream().map(one -> one.get("kind").asString())).contains("ORDER", "CORRESPONDENCE");
    }

    @Test
    void aDamagedOrLockedDocumentIsRefusedByItsNameAndAnUnknownKindToo() throws IOException {
        byte[] pdf = Documents.pdf(null, List.of("Whole"));
        String damaged = attach("AGREEMENT", "cut.pdf", Arrays.copyOf(pdf, 60));
        assertThat(caller.get(damaged).status()).isEqualTo(422);
        assertThat(caller.get(damaged).json().get("detail").asString()).contains("“cut.pdf” is damaged");
        String locked = attach("AGREEMENT", "locked.pdf", Documents.pdf("secret", List.of("Hidden")));
        assertThat(caller.get(locked).json().get("detail").asString()).contains("“locked.pdf” is encrypted");
        assertThat(caller.upload(
                                license + "/agreement?kind=GIFT",
                                "file",
                                Map.of("a.txt", new byte[] {65}),
                                Map.of("If-Match", caller.get(license).header("ETag")))
                        .status())
                .isEqualTo(400);
    }

    /** Ten forms within each of ten forms, and so on: more operators than anybody waits for. */
    @Test
    void documentsThatNeverEndLeaveOthersTheirPlace() throws IOException {
        StringBuilder pdf = new StringBuilder("%PDF-1.4\n1 0 obj<</Type/Catalog/Pages 2 0 R>>endobj\n"
                + "2 0 obj<</Type/Pages/Kids[3 0 R]/Count 1>>endobj\n"
                + "3 0 obj<</Type/Page/Parent 2 0 R/MediaBox[0 0 200 200]/Contents 4 0 R"
                + "/Resources<</XObject<</F 5 0 R>>>>>>endobj\n");
        pdf.append(stream(4, "", "/F Do"));
        for (int i = 5; i < 17; i++) {
            pdf.append(stream(
                    i,
                    "/Type/XObject/Subtype/Form/BBox[0 0 200 200]/Resources<</XObject<</F " + (i + 1) + " 0 R>>>>",
                    "/F Do\n".repeat(10)));
        }
        pdf.append(stream(17, "/Type/XObject/Subtype/Form/BBox[0 0 200 200]", "0 0 1 1 re f"));
        byte[] endless = pdf.append("trailer<</Root 1 0 R>>").toString().getBytes(StandardCharsets.UTF_8);
        String hostile = attach("CORRESPONDENCE", "endless.pdf", endless);
        String tall = attach("CORRESPONDENCE", "tall.png", png(30_000));
        List<CompletableFuture<Answer>> asked = IntStream.range(0, 2)
                .mapToObj(i -> CompletableFuture.supplyAsync(() -> caller.get(hostile + "/pages/1")))
                .toList();
        asked.forEach(answer -> assertThat(answer.join().text()).contains("takes too long"));
        Answer large = caller.get(tall + "/pages/1");
        assertThat(large.status()).isEqualTo(422);
        assertThat(large.text()).contains("too many pixels");
        String good = attach("CORRESPONDENCE", "good.txt", "You may.".getBytes(StandardCharsets.UTF_8));
        assertThat(caller.get(good).json().get("text").asString()).isEqualTo("You may.");
        assertThat(caller.get(license + "/reading").status())
                .as("the text of a document that never ends")
                .isIn(200, 422);
    }

    private static String stream(int number, String dictionary, String content) {
        return number + " 0 obj<<" + dictionary + "/Length " + content.length() + ">>stream\n" + content
                + "\nendstream endobj\n";
    }

    /** A picture of one color, as high as wide, in a few kilobytes. */
    private static byte[] png(int size) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.writeBytes(new byte[] {(byte) 0x89, 'P', 'N', 'G', '\r', '\n', 0x1A, '\n'});
        chunk(out, "IHDR", new byte[] {
            (byte) (size >> 24),
            (byte) (size >> 16),
            (byte) (size >> 8),
            (byte) size,
            (byte) (size >> 24),
            (byte) (size >> 16),
            (byte) (size >> 8),
            (byte) size,
            1,
            0,
            0,
            0,
            0
        });
        ByteArrayOutputStream rows = new ByteArrayOutputStream();
        try (DeflaterOutputStream packed = new DeflaterOutputStream(rows, new Deflater(9))) {
            byte[] row = new byte[1 + (size + 7) / 8];
            for (int i = 0; i < size; i++) {
                packed.write(row);
            }
        }
        chunk(out, "IDAT", rows.toByteArray());
        chunk(out, "IEND", new byte[0]);
        return out.toByteArray();
    }

    private static void chunk(ByteArrayOutputStream out, String type, byte[] data) {
        byte[] named = new byte[4 + data.length];
        System.arraycopy(type.getBytes(StandardCharsets.US_ASCII), 0, named, 0, 4);
        System.arraycopy(data, 0, named, 4, data.length);
        CRC32 sum = new CRC32();
        sum.update(named);
        for (int shift = 24; shift >= 0; shift -= 8) {
            out.write(data.length >> shift);
        }
        out.writeBytes(named);
        for (int shift = 24; shift >= 0; shift -= 8) {
            out.write((int) (sum.getValue() >> shift));
        }
    }

    /** Attaches a document; gives the path under which it is shown. */
    private static String attach(String kind, String name, byte[] bytes) {
        Answer attached = caller.upload(
                license + "/agreement?kind=" + kind,
                "file",
                Map.of(name, bytes),
                Map.of("If-Match", caller.get(license).header("ETag")));
        assertThat(attached.status()).isEqualTo(200);
        return license + "/documents/"
                + attached.json()
                        .get("agreement")
                        .valueStream()
                        .filter(one -> one.get("fileName").asString().equals(name))
                        .findFirst()
                        .orElseThrow()
                        .get("id")
                        .asString();
    }

    private static BufferedImage picture(Answer answer) throws IOException {
        return ImageIO.read(new ByteArrayInputStream(answer.bytes()));
    }

    private static long darkPixels(BufferedImage picture) {
        long dark = 0;
        for (int y = 0; y < picture.getHeight(); y++) {
            for (int x = 0; x < picture.getWidth(); x++) {
                dark += new Color(picture.getRGB(x, y)).getRed() < 100 ? 1 : 0;
            }
        }
        return dark;
    }
}
