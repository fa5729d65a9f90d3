package wistel.server.print;

import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import wistel.core.fault.InvalidRequest;
import wistel.server.setting.SettingRepository;
import wistel.server.store.FileStore;

/**
 * Lets print files and scans go that are older than wanted or take more room than wanted, the oldest first and never those of a print under way. A
 * print file is made again from its order when it is needed; the log says that a scan is gone.
 */
@Service
public class Retention {
    private static final Logger LOG = LoggerFactory.getLogger(Retention.class);
    private static final String FILE_DAYS = "print-file-days";
    private static final String SCAN_DAYS = "scan-days";
    private static final String GIGABYTES = "print-gigabytes";
    private static final int MOST_DAYS = 36_500;
    private static final int MOST_GIGABYTES = 100_000;

    private final AttemptRepository attempts;
    private final SettingRepository settings;
    private final FileStore files;
    private final Clock clock;

    Retention(AttemptRepository attempts, SettingRepository settings, FileStore files, Clock clock) {
        this.attempts = attempts;
        this.settings = settings;
        this.files = files;
        this.clock = clock;
    }

    /**
     * How long and how much is kept.
     *
     * @param printFileDays, scanDays after the print; 0 for ever
     * @param gigabytes               both together; 0 without a bound
     */
    record Limits(int printFileDays, int scanDays, int gigabytes) {
        Limits {
            if (printFileDays < 0 || scanDays < 0 || gigabytes < 0 || printFileDays > MOST_DAYS || scanDays > MOST_DAYS || gigabytes > MOST_GIGABYTES) {
                throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "Files are kept for 0 to " + MOST_DAYS + " days, in 0 to " + MOST_GIGABYTES + " GB.", "Enter other numbers; 0 is without a bound.");
            }
        }
    }

    Limits limits() {
        return new Limits(number(FILE_DAYS, 30), number(SCAN_DAYS, 0), number(GIGABYTES, 50));
    }

    private int number(String key, int usual) {
        return settings.get(key).map(Integer::parseInt).orElse(usual);
    }

    void limit(Limits next) {
        settings.put(FILE_DAYS, Integer.toString(next.printFileDays));
        settings.put(SCAN_DAYS, Integer.toString(next.scanDays));
        settings.put(GIGABYTES, Integer.toString(next.gigabytes));
    }

    /** Bytes that print files and scans take now. */
    public long bytes() throws IOException {
        long bytes = 0;
        for (AttemptRepository.KeptFile file : attempts.printFiles()) {
            bytes += files.size(file.hash());
        }
        for (AttemptRepository.KeptFile scan : attempts.scans()) {
            bytes += files.size(scan.hash());
        }
        return bytes;
    }

    @Scheduled(initialDelay = 120_000, fixedDelay = 3_600_000)
    void tidy() throws IOException {
        Limits limits = limits();
        letGoBefore(attempts.printFiles(), limits.printFileDays);
        letGoBefore(attempts.scans(), limits.scanDays);
        if (limits.gigabytes > 0) {
            bound((long) limits.gigabytes << 30);
        }
    }

    private void letGoBefore(List<AttemptRepository.KeptFile> kept, int days) throws IOException {
        if (days == 0) {
            return;
        }
        Instant before = clock.instant().minus(Duration.ofDays(days));
        for (AttemptRepository.KeptFile file : kept) {
            if (file.finished().isBefore(before)) {
                letGo(file);
            }
        }
    }

    /** Lets the oldest go until no more bytes are taken; print files first, as they can be made again, and never one that is needed now. */
    public void bound(long mostBytes) throws IOException {
        long bytes = bytes();
        for (List<AttemptRepository.KeptFile> kept : List.of(attempts.printFiles(), attempts.scans())) {
            for (AttemptRepository.KeptFile file : kept) {
                if (bytes <= mostBytes) {
                    return;
                }
                bytes -= files.size(file.hash());
                letGo(file);
            }
        }
    }

    private void letGo(AttemptRepository.KeptFile file) throws IOException {
        attempts.letGo(file.hash());
        files.delete(file.hash());
        LOG.info("let go of {}, of a print that ended {}", file.hash(), file.finished());
    }
}
