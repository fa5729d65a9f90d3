package wistel.server.tone;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.SequenceInputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import wistel.core.cgats.Cgats;
import wistel.core.cgats.Readings;
import wistel.core.docket.PrintOrder;
import wistel.core.fault.Conflict;
import wistel.core.fault.InvalidRequest;
import wistel.core.fault.MeasurementException;
import wistel.core.fault.NotFound;
import wistel.core.fault.WistelException;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.ProfileReader;
import wistel.core.pairing.PairingVersion;
import wistel.core.pictures.Crop;
import wistel.core.printer.ColourRoute;
import wistel.core.sheet.Rect;
import wistel.core.tone.Linearisation;
import wistel.core.tone.PairingToneCurve;
import wistel.core.tone.StraightenedScale;
import wistel.core.tone.ToneCurve;
import wistel.core.tone.ToneReport;
import wistel.core.tone.ToneScale;
import wistel.core.tone.ToneTarget;
import wistel.core.tone.Wedge;
import wistel.core.tone.WedgeScan;
import wistel.server.edge.Events;
import wistel.server.pairing.PairingRepository;
import wistel.server.print.Attempt;
import wistel.server.print.AttemptRepository;
import wistel.server.print.PrintedSheets;
import wistel.server.store.FileStore;
import wistel.server.store.ProfileRepository;
import wistel.server.store.ReadingFiles;
import wistel.server.tone.WedgeRepository.Origin;
import wistel.server.tone.WedgeRepository.Reading;
import wistel.server.tone.WedgeRepository.Row;

/** Reads wedges, tells what their readings say, and keeps curves with pairings. */
@Service
public class ToneService {
    private static final int LARGEST_READING = 1 << 20;
    private static final int LARGEST_SCAN = 400 << 20;

    private final WedgeRepository wedges;
    private final PairingRepository pairings;
    private final AttemptRepository attempts;
    private final PrintedSheets sheets;
    private final FileStore files;
    private final ProfileRepository profiles;
    private final ScanPictures scans;
    private final ScannerCalibration calibration;
    private final Events events;
    private final Clock clock;
    private final TransactionTemplate transaction;
    /** A fit takes some tenths of a second. */
    private final Cache<Reading, ToneReport> reports = Caffeine.newBuilder().executor(Runnable::run).maximumSize(500).build();

    public ToneService(WedgeRepository wedges, PairingRepository pairings, AttemptRepository attempts, PrintedSheets sheets,
        FileStore files, ProfileRepository profiles,
        ScannerCalibration calibration, ScanPictures scans, Events events, Clock clock,
        TransactionTemplate transaction) {
        this.wedges = wedges;
        this.pairings = pairings;
        this.attempts = attempts;
        this.sheets = sheets;
        this.files = files;
        this.profiles = profiles;
        this.scans = scans;
        this.calibration = calibration;
        this.events = events;
        this.clock = clock;
        this.transaction = transaction;
    }

    /** What a reading says, as a person takes it. */
    public ToneReport report(Row wedge, Reading reading) {
        return reports.get(reading, r -> {
            Optional<Linearisation> known = wedges.fit(r.id());
            ToneReport report = ToneReport.of(scale(wedge, r, files), r.target(), r.leftOut(), r.points(),
                new ToneReport.Known(known, r.scannerKnown()));
            if (known.isEmpty()) {
                wedges.fitted(r, report.fitted());
            }
            return report;
        });
    }

    /** As it was read; turned where it was read from black to paper. */
    static ToneScale scale(Row wedge, Reading reading, FileStore files) {
        ToneScale scale = scale(wedge, Readings.parse(new String(files.bytes(reading.hash()), StandardCharsets.UTF_8)));
        return reading.turned() ? scale.turned() : scale;
    }

    private static ToneScale scale(Row wedge, Readings readings) {
        return wedge.docketId().isPresent() ? ToneScale.of(wedge(wedge), readings) : ToneScale.of(readings);
    }

    static Wedge wedge(Row w) {
        return new Wedge(w.steps(), w.repeats(), w.scattered(), w.number());
    }

    /** The newest trip of a wedge through its printer. */
    public Optional<Attempt> attempt(Row wedge) {
        return wedge.docketId().flatMap(d -> attempts.ofDocket(d).stream().max((a, b) -> Integer.compare(a.number(), b.number())));
    }

    /** The same of many, by docket. */
    Map<UUID, Attempt> attempts(List<Row> all) {
        return attempts.newestOf(all.stream().flatMap(w -> w.docketId().stream()).toList()).stream()
            .collect(Collectors.toMap(Attempt::docketId, a -> a));
    }

    /** The pairings of many wedges, by id, those left out that can't be read. */
    Map<String, PairingVersion> pairings(List<Row> all) {
        return pairings.known(all.stream().map(w -> w.pairingId().toString()).toList());
    }

    /** By the instrument in the printer's room. */
    public Reading byInstrument(int number) {
        Row wedge = wedges.get(number);
        PrintedSheets.Sheet sheet = sheet(wedge);
        Wedge shape = wedge(wedge);
        List<PrintedSheets.Spot> spots = IntStream.range(0, shape.patches()).mapToObj(i -> {
            Crop at = shape.place(i);
            return new PrintedSheets.Spot(shape.id(i), (at.x() + at.width() / 2) / Wedge.WIDTH_MM,
                (at.y() + at.height() / 2) / Wedge.HEIGHT_MM);
        }).toList();
        String text = sheets.measured(sheet, spots, LARGEST_READING);
        return kept(wedge, new Brought(text, Origin.INSTRUMENT, clock.instant()));
    }

    /** By the flatbed in the printer's room. */
    public Reading byFlatbed(int number) {
        Row wedge = wedges.get(number);
        byte[] tiff = sheets.scanned(sheet(wedge), LARGEST_SCAN);
        return byScan(wedge, put(tiff), clock.instant());
    }

    /**
     * Readings as text, or the picture of a scan.
     *
     * @param taken when it was measured; empty for now
     */
    public Reading byFile(int number, InputStream file, Optional<Instant> taken) throws IOException {
        Row wedge = wedges.get(number);
        Instant at = taken.orElseGet(clock::instant);
        byte[] start = file.readNBytes(ScanPictures.TOLD_BY);
        InputStream whole = new SequenceInputStream(new ByteArrayInputStream(start), file);
        return ScanPictures.isPicture(start) ? byScan(wedge, files.put(whole, LARGEST_SCAN), at)
            : kept(wedge, new Brought(ReadingFiles.text(whole), Origin.FILE, at));
    }

    private Reading byScan(Row wedge, FileStore.Kept kept, Instant taken) {
        try {
            if (wedge.docketId().isEmpty()) {
                throw new MeasurementException(MeasurementException.Reason.SCAN_WITHOUT_WEDGE,
                    "A scale that was printed elsewhere can't be found on a scan.", "Bring its readings as text.");
            }
            return byScan(wedge, kept.hash(), taken);
        } catch (WistelException e) {
            forget(kept);
            throw e;
        }
    }

    private void forget(FileStore.Kept kept) {
        try {
            files.discard(kept);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private Reading byScan(Row wedge, String picture, Instant taken) {
        PairingVersion pairing = pairing(wedge);
        WedgeScan scan = WedgeScan.of(wedge(wedge), scans.lab(picture));
        Optional<ScannerCalibration.Scanner> scanner = calibration.scanner();
        double paperL = pairing.white().l();
        Readings readings = scanner.map(s -> scan.by(s.curve(), paperL)).orElseGet(() -> scan.byEnds(paperL, pairing.blackL()));
        String note = scanner.map(s -> "lightness by the scanner's curve from wedge " + s.wedge() + "; colour is not read").orElse(
            "lightness between the paper and black that the profile tells; colour and the depth of black are not read");
        return kept(wedge,
            new Brought(readings.text("Wedge " + wedge.number() + ", from a scan"), Optional.of(picture), Origin.SCANNER, taken, note,
                scanner.isPresent()));
    }

    /**
     * What was measured, before it is checked.
     *
     * @param text CGATS
     * @param scan         the picture it was taken from, by hash
     * @param scannerKnown false for a scan by a scanner whose own curve is not known
     */
    private record Brought(String text, Optional<String> scan, Origin origin, Instant taken, String note, boolean scannerKnown) {
        Brought(String text, Origin origin, Instant taken) {
            this(text, Optional.empty(), origin, taken, "", true);
        }
    }

    /** Checked before anything is written. */
    private Reading kept(Row wedge, Brought brought) {
        ToneScale scale = scale(wedge, Readings.parse(brought.text));
        String noted = brought.note.isEmpty() && scale.kind() == Readings.Kind.LIGHTNESS ? "lightness alone was read, no colour"
            : brought.note;
        Reading reading = wedges
            .add(new Reading(UUID.randomUUID(), wedge.number(), put(brought.text.getBytes(StandardCharsets.UTF_8)).hash(), brought.scan,
                brought.origin, brought.taken, false, List.of(), Optional.empty(), usualTarget(wedge), noted,
                brought.scannerKnown));
        events.publish("wedge", Integer.toString(wedge.number()));
        return reading;
    }

    /** Even steps of the driver's own gray; through a profile, what the proof of a gray ramp shows. */
    private static ToneTarget usualTarget(Row wedge) {
        return wedge.mode().route() instanceof ColourRoute.ByWistel ? ToneTarget.PROOF : ToneTarget.EVEN;
    }

    private FileStore.Kept put(byte[] bytes) {
        try {
            return files.put(out -> out.write(bytes));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private PrintedSheets.Sheet sheet(Row wedge) {
        Attempt attempt = attempt(wedge)
            .orElseThrow(() -> new NotFound("This scale was not printed here.", "Bring its reading as a file."));
        return sheets.first(attempt).orElseThrow(
            () -> new Conflict(Conflict.Reason.STOPPED, "Wedge " + wedge.number() + " has not come out yet: " + attempt.words() + ".",
                "Wait until it lies there, dry."));
    }

    PairingVersion pairing(Row wedge) {
        return pairings.find(wedge.pairingId().toString())
            .orElseThrow(() -> new NotFound("The pairing of this wedge is not there.", "Choose another wedge."));
    }

    /** How a person takes a reading; what isn't given stays. */
    record ReadingTaken(Optional<Boolean> turned, Optional<List<Integer>> leftOut, Optional<ToneTarget> target,
        Optional<List<ToneCurve.Point>> points, Optional<Boolean> fitted) {
    }

    /** @param as points of a person's own, or {@code fitted} to go back to the fitted ones */
    void take(UUID id, ReadingTaken as) {
        int wedge = transaction.execute(t -> taken(id, as));
        events.publish("wedge", Integer.toString(wedge));
    }

    private int taken(UUID id, ReadingTaken as) {
        Reading r = wedges.lockedReading(id);
        Optional<ToneCurve> points = as.fitted.orElse(false) || as.target.isPresent() && as.target.get() != r.target() ? Optional.empty()
            : as.points.map(ToneCurve::new).or(r::points);
        List<Integer> leftOut = as.leftOut.orElse(r.leftOut());
        Reading next = r.taken(as.turned.orElse(r.turned()), leftOut, points, as.target.orElse(r.target()));
        ToneScale scale = scale(wedges.get(r.wedge()), next, files);
        if (leftOut.size() > scale.steps().size() / 2) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "More than half of the steps can't be left out.",
                "Read the wedge again.");
        }
        wedges.take(next, next.turned() != r.turned() || !next.leftOut().equals(r.leftOut()) || next.target() != r.target());
        return r.wedge();
    }

    /** The newest reading of a wedge. */
    public Reading newest(Row wedge) {
        return wedges.readings(wedge.number()).stream().findFirst()
            .orElseThrow(
                () -> new Conflict(Conflict.Reason.STOPPED, "Wedge " + wedge.number() + " has not been read yet.", "Read it first."));
    }

    /** Keeps the curve of a wedge's newest reading with its pairing: the pairing's next version has it in force for this mode. */
    public void keep(int number) {
        Row wedge = wedges.get(number);
        Reading reading = newest(wedge);
        ToneReport report = report(wedge, reading);
        if (wedge.through().isPresent()) {
            throw new Conflict(Conflict.Reason.STOPPED, "Wedge " + number + " was printed through a curve.",
                "Keep the curve of wedge " + wedge.ofWedge().orElse(number) + ", which it proves.");
        }
        if (report.judgement().reversed()) {
            throw new Conflict(Conflict.Reason.STOPPED, "This was read from black to paper.", "Turn the reading first.");
        }
        PairingVersion pairing = pairing(wedge);
        ToneScale scale = report.used().tinted(pairing.white());
        IccProfile gray = profile(new StraightenedScale(scale, ToneCurve.STRAIGHT).profile(described(wedge, pairing)));
        PairingToneCurve kept = new PairingToneCurve(wedge.mode(), scale, report.curve(), number,
            LocalDate.ofInstant(reading.taken(), ZoneId.systemDefault()), reading.hash(), gray.hash(),
            wedge.mode().route() instanceof ColourRoute.ByWistel || pairing.grayOnly() ? pairing.profileHash() : "");
        List<PairingToneCurve> curves = new ArrayList<>(pairing.curves().stream().filter(k -> !k.mode().equals(wedge.mode())).toList());
        curves.add(kept);
        transaction.executeWithoutResult(t -> pairings.add(pairing.withCurves(curves)));
        tell(pairing, number);
    }

    private IccProfile profile(byte[] bytes) {
        try {
            IccProfile profile = ProfileReader.read(bytes);
            profiles.add(profile);
            return profile;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    byte[] text(Reading reading) {
        return files.bytes(reading.hash());
    }

    /** Takes a wedge's curve out of force. */
    void drop(int number) {
        PairingVersion pairing = pairing(wedges.get(number));
        List<PairingToneCurve> rest = pairing.curves().stream().filter(k -> k.wedge() != number).toList();
        if (rest.size() < pairing.curves().size()) {
            transaction.executeWithoutResult(t -> pairings.add(pairing.withCurves(rest)));
            tell(pairing, number);
        }
    }

    private void tell(PairingVersion pairing, int number) {
        events.publish("pairing", pairing.pairingId());
        events.publish("wedge", Integer.toString(number));
    }

    static String described(Row wedge, PairingVersion pairing) {
        return pairing.paper() + " on " + pairing.printerName() + ", " + wedge.words().replace(" · ", ", ") + ", wedge " + wedge.number();
    }

    /** The scale as it prints through its curve, for other programs. */
    StraightenedScale straightened(Row wedge) {
        ToneReport report = report(wedge, newest(wedge));
        return new StraightenedScale(report.used(), report.curve());
    }

    Map<Integer, List<Reading>> readingsByWedge() {
        return wedges.readings().stream().collect(Collectors.groupingBy(Reading::wedge));
    }
}
