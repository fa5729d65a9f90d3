package wistel.server.store;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import wistel.core.cgats.Cgats;

/** Readings that people bring as text. */
public final class ReadingFiles {
    private ReadingFiles() {
    }

    /** @throws wistel.core.fault.InvalidRequest when it is longer than readings are */
    public static String text(InputStream in) throws IOException {
        byte[] bytes = in.readNBytes(Cgats.LARGEST_BYTES + 1);
        if (bytes.length > Cgats.LARGEST_BYTES) {
            throw FileStore.tooLarge(Cgats.LARGEST_BYTES);
        }
        return new String(bytes, StandardCharsets.UTF_8);
    }
}
