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
import wistel.server.store.RecordRepository;

/**
 * Lets print files and scans go that are older than wanted or take more room than wanted, the oldest first and never those of a print under
 * way. A print file is made again from its order when it is needed, and compared with what is kept of the page; the log says that a scan is
 * gone.
 */
@Service
public class Retention {
    private static final Logger LOG = LoggerFactory.getLogger(Retention.class);
    private static final String FILE_DAYS = "print-file-days";
    private static final String SCAN_DAYS = "scan-days";
    private static final String GIGABYTES = "print-gigabytes";
    private static final String KEEP_MATCHING = "keep-matching-files";
    private static final int MOST_DAYS = 36_500;
    private static final int MOST_GIGABYTES = 100_000;

    private final AttemptRepository attempts;
    private final PageFileRepository pageFiles;
    private final Rendering rendering;
    private final RecordRepository records;
    private final SettingRepository settings;
    private final FileStore files;
    private final Clock clock;

    Retention(AttemptRepository attempts, PageFileRepository pageFiles, Rendering rendering, RecordRepository records,
        SettingRepository settings, FileStore files,
        Clock clock) {
        this.attempts = attempts;
        this.pageFiles = pageFiles;
        this.rendering = rendering;
        this.records = records;
        this.settings = settings;
        this.files = files;
        this.clock = clock;
    }

    /**
     * How long and how much is kept.
     *
     * @param printFileDays, scanDays after the print; 0 for ever
     * @param gigabytes               both together; 0 without a bound
     * @param keepMatching            print files of prints that were judged to match are kept for ever, beside that bound
     */
    record Limits(int printFileDays, int scanDays, int gigabytes, boolean keepMatching) {
        Limits {
            if (printFileDays < 0 || scanDays < 0 || gigabytes < 0 || printFileDays > MOST_DAYS || scanDays > MOST_DAYS
                || gigabytes > MOST_GIGABYTES) {
                throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE,
                    "Files are kept for 0 to " + MOST_DAYS + " days, in 0 to " + MOST_GIGABYTES + " GB.",
                    "Enter other numbers; 0 is without a bound.");
            }
        }
    }

    Limits limits() {
        return new Limits(number(FILE_DAYS, 30), number(SCAN_DAYS, 0), number(GIGABYTES, 50),
            settings.get(KEEP_MATCHING).map(Boolean::parseBoolean).orElse(false));
    }

    private int number(String key, int usual) {
        return settings.get(key).flatMap(text -> records.readable("setting " + key, () -> Integer.parseInt(text))).orElse(usual);
    }

    void limit(Limits next) {
        settings.put(FILE_DAYS, Integer.toString(next.printFileDays));
        settings.put(SCAN_DAYS, Integer.toString(next.scanDays));
        settings.put(GIGABYTES, Integer.toString(next.gigabytes));
        settings.put(KEEP_MATCHING, Boolean.toString(next.keepMatching));
    }

    /** Print files that may be let go of, oldest first. */
    private List<PageFileRepository.KeptFile> printFiles() {
        boolean keeps = limits().keepMatching;
        return pageFiles.printFiles().stream().filter(f -> !keeps || !f.matches()).toList();
    }

    /** Bytes that the files of prints judged to match take. */
    public long matchingBytes() throws IOException {
        return bytes(pageFiles.printFiles().stream().filter(PageFileRepository.KeptFile::matches).toList());
    }

    private long bytes(List<PageFileRepository.KeptFile> kept) throws IOException {
        long bytes = 0;
        for (PageFileRepository.KeptFile file : kept) {
            bytes += files.size(file.hash());
        }
        return bytes;
    }

    /** Bytes that print files and scans take now. */
    public long bytes() throws IOException {
        return bytes(pageFiles.printFiles()) + bytes(pageFiles.scans());
    }

    @Scheduled(initialDelay = 120_000, fixedDelay = 3_600_000)
    void tidy() throws IOException {
        Limits limits = limits();
        letGoBefore(printFiles(), limits.printFileDays);
        letGoBefore(pageFiles.scans(), limits.scanDays);
        if (limits.gigabytes > 0) {
            bound((long) limits.gigabytes << 30);
        }
    }

    private void letGoBefore(List<PageFileRepository.KeptFile> kept, int days) throws IOException {
        if (days == 0) {
            return;
        }
        Instant before = clock.instant().minus(Duration.ofDays(days));
        for (PageFileRepository.KeptFile file : kept) {
            if (file.finished().isBefore(before)) {
                delete(file);
            }
        }
    }

    /** Lets the oldest go until no more bytes are taken; print files first, as they can be made again, and never one that is needed now. */
    public void bound(long mostBytes) throws IOException {
        List<PageFileRepository.KeptFile> prints = printFiles();
        List<PageFileRepository.KeptFile> scans = pageFiles.scans();
        long bytes = bytes(prints) + bytes(scans);
        for (List<PageFileRepository.KeptFile> kept : List.of(prints, scans)) {
            for (PageFileRepository.KeptFile file : kept) {
                if (bytes <= mostBytes) {
                    return;
                }
                bytes -= files.size(file.hash());
                delete(file);
            }
        }
    }

    private void delete(PageFileRepository.KeptFile file) throws IOException {
        look(file.hash());
        pageFiles.forgetFile(file.hash());
        files.delete(file.hash());
        LOG.info("let go of {}, of a print that ended {}", file.hash(), file.finished());
    }

    /** Keeps what pages look like that were printed by a version which didn't: from then on only their order can tell. */
    private void look(String fileHash) {
        for (PageFileRepository.PageOf page : pageFiles.notLookedAt(fileHash)) {
            try {
                if (files.has(fileHash)) {
                    pageFiles.looked(page.attempt(), page.page(), rendering.fingerprint(attempts.order(page.attempt()), fileHash));
                }
            } catch (IOException | RuntimeException e) {
                LOG.warn("what page {} of attempt {} looks like can't be kept: {}", page.page(), page.attempt(), e.toString());
            }
        }
    }
}
