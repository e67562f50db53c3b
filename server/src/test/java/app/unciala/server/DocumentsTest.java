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
