package app.unciala.server.family;

import app.unciala.font.drawing.DrawingDigest;
import app.unciala.font.report.FaceReport;
import app.unciala.font.sfnt.Sfnt;
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
                Sfnt face = FirstFace.of(store.file(file.sha256()));
                file.read(FileFacts.of(face, FaceReport.of(face)));
            } catch (RuntimeException e) {
                LOG.warn("{} cannot be read again: {}", file.fileName(), e.getMessage());
            }
        }
    }
}
