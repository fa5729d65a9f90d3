package wistel.server.tone;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import wistel.core.fault.Conflict;
import wistel.core.tone.ScannerCurve;
import wistel.core.tone.Wedge;
import wistel.core.tone.WedgeScan;
import wistel.server.edge.Events;
import wistel.server.setting.SettingRepository;
import wistel.server.store.FileStore;
import wistel.server.store.Json;
import wistel.server.store.RecordRepository;
import wistel.server.tone.WedgeRepository.Origin;
import wistel.server.tone.WedgeRepository.Reading;
import wistel.server.tone.WedgeRepository.Row;

/** The scanner's curve, learnt from a wedge that an instrument has read too. */
@Service
class ScannerCalibration {
    private static final String SCANNER = "scanner-curve";

    private final WedgeRepository wedges;
    private final FileStore files;
    private final SettingRepository settings;
    private final ScanPictures scans;
    private final Json json;
    private final RecordRepository records;
    private final Events events;
    private final Clock clock;

    ScannerCalibration(WedgeRepository wedges, FileStore files, SettingRepository settings, ScanPictures scans, Json json,
        RecordRepository records, Events events, Clock clock) {
        this.wedges = wedges;
        this.files = files;
        this.settings = settings;
        this.scans = scans;
        this.json = json;
        this.records = records;
        this.events = events;
        this.clock = clock;
    }

    /** @param wedge that told it */
    record Scanner(ScannerCurve curve, int wedge, Instant made) {
    }

    Optional<Scanner> scanner() {
        return settings.get(SCANNER).filter(text -> !text.isEmpty())
            .flatMap(text -> records.readable("the scanner's curve", () -> json.read(text, Scanner.class)));
    }

    /** Learns the scanner's curve from a wedge that an instrument and the scanner have read. */
    Scanner learn(int number) {
        Row wedge = wedges.get(number);
        List<Reading> readings = wedges.readings(number);
        Optional<Reading> scanned = readings.stream().filter(r -> r.scanHash().isPresent()).findFirst();
        Optional<Reading> measured = readings.stream().filter(r -> r.origin() != Origin.SCANNER).findFirst();
        if (scanned.isEmpty() || measured.isEmpty()) {
            throw new Conflict(Conflict.Reason.STOPPED, "Wedge " + number + " wants both to be scanned and read by an instrument.",
                scanned.isEmpty() ? "Scan it too." : "Read it with an instrument too.");
        }
        WedgeScan scan = WedgeScan.of(ToneService.wedge(wedge), scans.lab(scanned.get().scanHash().get()));
        Scanner scanner = new Scanner(ScannerCurve.of(scan, ToneService.scale(wedge, measured.get(), files)), number, clock.instant());
        settings.put(SCANNER, json.text(scanner));
        events.publish("wedge", Integer.toString(number));
        return scanner;
    }

    /** Scans are calibrated by the wedges' own ends again. */
    void forget() {
        settings.put(SCANNER, "");
        events.publish("wedge", "");
    }
}
