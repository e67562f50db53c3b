package app.unciala.font.file;

import app.unciala.font.FontFormat;
import app.unciala.font.sfnt.Sfnt;
import java.util.List;

/** A font file as its bytes say it is: the container and one sfnt for each face in it, at least one. */
public record FontFile(FontFormat format, List<Sfnt> faces) {
    public FontFile {
        faces = List.copyOf(faces);
    }
}
