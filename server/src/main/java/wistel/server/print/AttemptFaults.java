package wistel.server.print;

import java.io.IOException;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import wistel.core.fault.WistelException;

/** What an attempt says of a fault that ended it. */
final class AttemptFaults {
    private static final Logger LOG = LoggerFactory.getLogger(AttemptFaults.class);

    private AttemptFaults() {
    }

    static String words(UUID attempt, Throwable e) {
        if (e instanceof WistelException known) {
            return known.getMessage() + " " + known.next();
        }
        if (e instanceof IOException) {
            LOG.error("attempt {}: a file could not be written or read", attempt, e);
            return "The print file could not be written or read: " + e.getMessage() + ". Is the disk full? Look whether a sheet came out.";
        }
        LOG.error("attempt {} met something unforeseen", attempt, e);
        return "Something unforeseen went wrong inside Wistel (" + e.getClass().getSimpleName()
            + "); the server's log says more. Look whether a sheet came out, then release the docket again.";
    }
}
