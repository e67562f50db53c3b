package app.unciala.font.subset;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.font.FontFormat;
import app.unciala.font.file.FontReader;
import app.unciala.font.file.FontWriter;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.testing.RealFonts;
import app.unciala.testing.Tool;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Subsets as WOFF2 against HarfBuzz's subsetter followed by the reference encoder, both keeping all names. */
class SubsetSizeTest {
    private static final List<String> FONTS = List.of(
            "DejaVuSans.ttf",
            "DejaVuSerif-Bold.ttf",
            "Lato-Regular.ttf",
            "Lato-Italic.ttf",
            "Cantarell-Regular.otf",
            "EBGaramond12-Regular.otf",
            "Gentium-R.ttf",
            "Inter.var.ttf",
            "LiberationSerif-Regular.ttf",
            "Amiri-Regular.ttf");

    @TempDir
    Path folder;

    @Test
    void latinSubsetsAreWithinTwoHundredths() throws Exception {
        long ours = 0;
        long theirs = 0;
        List<String> each = new ArrayList<>();
        BitSet latin = new BitSet();
        latin.set(0x20, 0x7F);
        latin.set(0xA0, 0x100);
        for (String name : FONTS) {
            Path source = RealFonts.named(name);
            Sfnt face = FontReader.read(RealFonts.bytes(source)).faces().get(0);
            int cut = FontWriter.write(Subsetter.subset(face, latin), FontFormat.WOFF2).length;
            Path other = folder.resolve("cut.ttf");
            String unicodes = "--unicodes=20-7E,A0-FF";
            Tool.run("hb-subset", unicodes, "--name-IDs=*", "--name-languages=*", source, "-o", other);
            Tool.run("woff2_compress", other);
            long size = Files.size(folder.resolve("cut.woff2"));
            each.add(name + " " + cut + " against " + size);
            ours += cut;
            theirs += size;
        }
        assertThat(ours / (double) theirs).as(each.toString()).isLessThan(1.02);
    }
}
