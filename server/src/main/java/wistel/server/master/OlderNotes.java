package wistel.server.master;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import wistel.core.pictures.PictureFile;
import wistel.server.store.FileStore;

/** Reads the words in picture files that were brought before they were kept, once, while the server runs already. */
@Component
class OlderNotes {
    private static final Logger LOG = LoggerFactory.getLogger(OlderNotes.class);

    private final MasterRepository masters;
    private final FileStore files;

    OlderNotes(MasterRepository masters, FileStore files) {
        this.masters = masters;
        this.files = files;
    }

    @EventListener(ApplicationReadyEvent.class)
    void read() {
        Thread thread = new Thread(this::readAll, "older-notes");
        thread.setDaemon(true);
        thread.start();
    }

    private void readAll() {
        try {
            for (String hash : masters.unread()) {
                masters.note(hash, notes(hash));
            }
        } catch (RuntimeException e) {
            LOG.warn("the words in older picture files are read after the next start: {}", e.toString());
        }
    }

    private FileNotes notes(String hash) {
        try {
            return FileNotes.of(PictureFile.open(files.image(hash)).facts().notes());
        } catch (RuntimeException e) {
            LOG.warn("the words in {} are left aside: {}", hash, e.toString());
            return FileNotes.NONE;
        }
    }
}
