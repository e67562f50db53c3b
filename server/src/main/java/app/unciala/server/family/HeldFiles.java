package app.unciala.server.family;

import app.unciala.core.drawing.DrawingDigest;
import app.unciala.core.drawing.Sketch;
import app.unciala.core.face.Classification;
import app.unciala.core.face.FaceReport;
import app.unciala.core.face.UseMarks;
import app.unciala.core.font.FontReader;
import app.unciala.core.font.outline.OutlineReader;
import app.unciala.core.font.sfnt.CmapTable;
import app.unciala.core.font.sfnt.NameTable;
import app.unciala.core.font.sfnt.Sfnt;
import app.unciala.core.language.LanguageCoverage;
import app.unciala.core.language.SampleLetters;
import app.unciala.server.storage.FileStore;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** After an upgrade that reads more or otherwise out of fonts, reads the held files anew from their bytes. */
@Component
@Order(0)
class HeldFiles implements ApplicationRunner {
    private static final Logger LOG = LoggerFactory.getLogger(HeldFiles.class);

    private final FaceFileRepository files;
    private final FileStore store;

    HeldFiles(FaceFileRepository files, FileStore store) {
        this.files = files;
        this.store = store;
    }

    @Override
    @Transactional
    public void run(ApplicationArguments args) {
        for (FaceFileEntity file : files.readByEarlierVersions(DrawingDigest.VERSION)) {
            try {
                Sfnt face = FontReader.read(store.get(file.sha256())).faces().get(0);
                CmapTable cmap = CmapTable.read(face);
                file.redraw(DrawingDigest.of(face, cmap, OutlineReader.read(face)));
                file.showBy(SampleLetters.of(cmap.codePoints()));
                file.describe(
                        Sketch.of(face),
                        FaceReport.foundryOf(face),
                        Classification.propose(face).map(Classification.Proposal::classification));
                file.speak(LanguageCoverage.covered(cmap.codePoints()));
                file.mark(UseMarks.in(NameTable.read(face)).stream().findFirst());
            } catch (RuntimeException e) {
                LOG.warn("{} cannot be read again: {}", file.fileName(), e.getMessage());
            }
        }
    }
}
