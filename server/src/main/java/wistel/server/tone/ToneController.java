package wistel.server.tone;

import io.swagger.v3.oas.annotations.Parameter;
import jakarta.servlet.http.HttpServletRequest;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.DoubleUnaryOperator;
import java.util.stream.IntStream;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PatchMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import wistel.core.cgats.Readings;
import wistel.core.colour.LabEncoding;
import wistel.core.fault.InvalidRequest;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.transform.Recipe;
import wistel.core.icc.transform.Transform;
import wistel.core.icc.transform.TransformCompiler;
import wistel.core.pairing.PairingVersion;
import wistel.core.tone.PairingToneCurve;
import wistel.core.tone.ToneCurve;
import wistel.core.tone.ToneReport;
import wistel.core.tone.ToneScale;
import wistel.server.edge.FileAnswer;
import wistel.server.print.Attempt;
import wistel.server.print.AttemptState;
import wistel.server.store.ReadingFiles;
import wistel.server.store.Json;
import wistel.server.store.RecordRepository;
import wistel.server.tone.WedgeRepository.Reading;
import wistel.server.tone.WedgeRepository.Row;

/** The tone bench. */
@RestController
@RequestMapping("/api/wedges")
class ToneController {
    private static final int DRAWN = 101;
    private static final int EARLIEST_YEAR = 1980;
    private static final Transform TO_DISPLAY = TransformCompiler.compile(new Recipe.FromLab(StandardSpaces.SRGB, Intent.ABSOLUTE));

    private final WedgeRepository wedges;
    private final WedgePrinting printing;
    private final ToneService tones;
    private final ScannerCalibration calibration;
    private final Json json;
    private final RecordRepository records;
    private final Clock clock;

    ToneController(WedgeRepository wedges, WedgePrinting printing, ToneService tones, ScannerCalibration calibration, Json json,
        RecordRepository records, Clock clock) {
        this.records = records;
        this.json = json;
        this.wedges = wedges;
        this.printing = printing;
        this.tones = tones;
        this.calibration = calibration;
        this.clock = clock;
    }

    /** The newest first, each with what its newest reading says. */
    @GetMapping
    List<WedgeView> all() {
        Map<Integer, List<Reading>> readings = tones.readingsByWedge();
        List<Row> all = wedges.all();
        Map<String, PairingVersion> pairings = tones.pairings(all);
        Map<UUID, Attempt> attempts = tones.attempts(all);
        return all.stream()
            .flatMap(w -> records.readable("wedge " + w.number(),
                () -> view(w, readings.getOrDefault(w.number(), List.of()), Optional.ofNullable(pairings.get(w.pairingId().toString())),
                    w.docketId().map(attempts::get)))
                .stream())
            .toList();
    }

    @GetMapping("/{number}")
    WedgeView one(@PathVariable int number) {
        return view(wedges.get(number));
    }

    private WedgeView view(Row w) {
        return view(w, wedges.readings(w.number()), records.unlessDamaged(() -> Optional.of(tones.pairing(w))), tones.attempt(w));
    }

    private WedgeView view(Row w, List<Reading> readings, Optional<PairingVersion> pairing, Optional<Attempt> attempt) {
        Optional<WedgeView.WedgeSheet> sheet = attempt.map(this::printing);
        Optional<PairingToneCurve> own = pairing.stream().flatMap(p -> p.curves().stream()).filter(k -> k.wedge() == w.number())
            .findFirst();
        return new WedgeView(w.number(), w.pairingId().toString(), pairing.map(PairingVersion::paper).orElse("a paper that can't be read"),
            pairing.map(PairingVersion::printerName).orElse(""), w.mode(), w.words(), w.sheet(), w.steps(), w.repeats(), w.scattered(),
            w.through().isPresent(), w.ofWedge(),
            w.created(), sheet, own.isPresent(), own.filter(k -> k.old(LocalDate.now(clock))).isPresent(),
            readings.stream().map(r -> new WedgeView.WedgeRead(r.id(), r.origin(), r.taken(), r.note(), r.scanHash().isPresent())).toList(),
            readings.stream().findFirst()
                .flatMap(r -> records.readable("reading " + r.id() + " of wedge " + w.number(), () -> told(r, tones.report(w, r)))));
    }

    private WedgeView.WedgeSheet printing(Attempt a) {
        Optional<Double> dried = a.finished().map(f -> Duration.between(f, clock.instant()).toMinutes() / 60.0);
        return new WedgeView.WedgeSheet(a.id(), a.docketId(), a.over(), a.state() == AttemptState.DONE, a.percent(), a.words(), dried);
    }

    private static WedgeView.WedgeTold told(Reading r, ToneReport t) {
        ToneCurve curve = t.curve();
        DoubleUnaryOperator sent = curve.function();
        return new WedgeView.WedgeTold(r.id(), t.scale().kind(), r.turned(), t.judgement().reversed(),
            steps(t.scale(), t.judgement().suspects(), r.leftOut()), t.scale().noise(), t.judgement().density(),
            t.judgement().paperDensity(), t.used().paper(), t.used().black(),
            t.judgement().blockedFrom().isPresent() ? Optional.of(t.judgement().blockedFrom().getAsDouble()) : Optional.empty(),
            t.judgement().drift(), t.judgement().driftDepth(), t.judgement().rises().size(), t.verdict(), t.before(), t.after(),
            t.fitted().byPoints(), curve.points(), curve.largestMove(),
            curve.unsuited(), r.points().isPresent(), r.target(), ToneReport.target(t.used(), r.target(), DRAWN),
            ToneReport.through(t.used(), curve, DRAWN),
            IntStream.range(0, DRAWN).mapToDouble(i -> sent.applyAsDouble(i / (DRAWN - 1.0))).toArray());
    }

    private static List<WedgeView.WedgeStep> steps(ToneScale scale, List<Integer> suspects, List<Integer> leftOut) {
        char[] lab = new char[3 * scale.steps().size()];
        for (int i = 0; i < scale.steps().size(); i++) {
            lab[3 * i] = LabEncoding.V4.ofL(scale.steps().get(i).lab().l());
            lab[3 * i + 1] = LabEncoding.V4.ofAb(scale.steps().get(i).lab().a());
            lab[3 * i + 2] = LabEncoding.V4.ofAb(scale.steps().get(i).lab().b());
        }
        char[] shown = TO_DISPLAY.apply(lab);
        return IntStream.range(0, scale.steps().size())
            .mapToObj(i -> new WedgeView.WedgeStep(scale.steps().get(i).depth(), scale.steps().get(i).lab(),
                String.format(Locale.ROOT, "#%02x%02x%02x", shown[3 * i] / 257, shown[3 * i + 1] / 257, shown[3 * i + 2] / 257),
                suspects.contains(i), leftOut.contains(i)))
            .toList();
    }

    /** Prints a wedge in a mode: 202, follow its printing. */
    @PostMapping
    @ResponseStatus(HttpStatus.ACCEPTED)
    WedgeView print(@RequestBody WedgePrinting.AskedWedge asked) {
        return one(printing.print(asked).number());
    }

    /** Prints a wedge once more, through the curve of its newest reading. */
    @PostMapping("/{number}/proof")
    @ResponseStatus(HttpStatus.ACCEPTED)
    WedgeView prove(@PathVariable int number) {
        Row wedge = wedges.get(number);
        ToneCurve curve = tones.report(wedge, tones.newest(wedge)).curve();
        return one(printing.prove(wedge, curve).number());
    }

    record Attempted(UUID attempt) {
    }

    /** Prints the page to judge a mode by eye. */
    @PostMapping("/test-page")
    @ResponseStatus(HttpStatus.ACCEPTED)
    Attempted testPage(@RequestBody WedgePrinting.AskedMode mode) {
        return new Attempted(printing.testPage(mode));
    }

    /** Has the instrument in the printer's room read the sheet. */
    @PostMapping("/{number}/readings/instrument")
    @ResponseStatus(HttpStatus.CREATED)
    WedgeView instrument(@PathVariable int number) {
        return one(tones.byInstrument(number).wedge());
    }

    /** Has the flatbed beside the printer scan the sheet. */
    @PostMapping("/{number}/readings/flatbed")
    @ResponseStatus(HttpStatus.CREATED)
    WedgeView flatbed(@PathVariable int number) {
        return one(tones.byFlatbed(number).wedge());
    }

    /** A reading as CGATS or plain text, or the picture of a scan, as the request's body; {@code measured} when it is an older one. */
    @PostMapping(value = "/{number}/readings", consumes = "!application/x-www-form-urlencoded")
    @ResponseStatus(HttpStatus.CREATED)
    WedgeView read(@PathVariable int number, @RequestParam Optional<LocalDate> measured,
        @Parameter(hidden = true) HttpServletRequest request) throws IOException {
        return one(tones.byFile(number, request.getInputStream(), measured.map(this::at)).wedge());
    }

    private Instant at(LocalDate day) {
        if (day.getYear() < EARLIEST_YEAR) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "No wedge was read before " + EARLIEST_YEAR + ".",
                "Enter the day on which it was measured.");
        }
        if (day.isAfter(LocalDate.now(clock))) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "A reading can't be of a day to come.",
                "Enter the day on which it was measured.");
        }
        return day.atTime(12, 0).atZone(ZoneId.systemDefault()).toInstant();
    }

    private record AskedSettings(Map<String, String> values) {
    }

    /**
     * The reading of a scale that was printed elsewhere, for a mode of a pairing ({@code settings} as {@code {"values":{…}}}): it becomes a
     * wedge of its own.
     */
    @PostMapping(value = "/elsewhere", consumes = "!application/x-www-form-urlencoded")
    @ResponseStatus(HttpStatus.CREATED)
    WedgeView elsewhere(@RequestParam String pairing, @RequestParam WedgePrinting.Way way,
        @RequestParam(defaultValue = "{\"values\":{}}") String settings, @RequestParam Optional<Intent> intent,
        @RequestParam Optional<Boolean> blackPoint, @RequestParam Optional<LocalDate> measured,
        @Parameter(hidden = true) HttpServletRequest request) throws IOException {
        WedgePrinting.AskedMode mode = new WedgePrinting.AskedMode(pairing, way, json.asked(settings, AskedSettings.class).values(), intent,
            blackPoint);
        Optional<Instant> taken = measured.map(this::at);
        String text = ReadingFiles.text(request.getInputStream());
        int steps = ToneScale.of(Readings.parse(text)).steps().size();
        Row row = printing.foreign(mode, steps);
        return one(tones.byFile(row.number(), new ByteArrayInputStream(text.getBytes(StandardCharsets.UTF_8)), taken).wedge());
    }

    @PatchMapping("/readings/{id}")
    WedgeView take(@PathVariable UUID id, @RequestBody ToneService.ReadingTaken as) {
        tones.take(id, as);
        return one(wedges.reading(id).wedge());
    }

    /** Keeps the curve with the pairing: monochrome dockets in this mode print through it from now on. */
    @PutMapping("/{number}/curve")
    WedgeView keep(@PathVariable int number) {
        tones.keep(number);
        return one(number);
    }

    @DeleteMapping("/{number}/curve")
    WedgeView drop(@PathVariable int number) {
        tones.drop(number);
        return one(number);
    }

    @GetMapping("/scanner")
    Optional<ScannerCalibration.Scanner> scanner() {
        return calibration.scanner();
    }

    /** Calibrates the scanner by this wedge, which it scanned and an instrument read. */
    @PutMapping("/{number}/scanner")
    ScannerCalibration.Scanner learn(@PathVariable int number) {
        return calibration.learn(number);
    }

    @DeleteMapping("/scanner")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void forgetScanner() {
        calibration.forget();
    }

    /** The scale through its curve, as an ICC profile of grays. */
    @GetMapping("/{number}/scale.icc")
    ResponseEntity<byte[]> profile(@PathVariable int number) {
        Row wedge = wedges.get(number);
        return FileAnswer.saved("wedge-" + number + ".icc", MediaType.APPLICATION_OCTET_STREAM,
            tones.straightened(wedge).profile(ToneService.described(wedge, tones.pairing(wedge))));
    }

    /** The scale through its curve, as CGATS text. */
    @GetMapping("/{number}/scale.txt")
    ResponseEntity<byte[]> cgats(@PathVariable int number) {
        Row wedge = wedges.get(number);
        return FileAnswer.saved("wedge-" + number + ".txt", MediaType.TEXT_PLAIN,
            tones.straightened(wedge).cgats(ToneService.described(wedge, tones.pairing(wedge))).text().getBytes(StandardCharsets.UTF_8));
    }

    /** The reading as it was taken. */
    @GetMapping("/{number}/reading.txt")
    ResponseEntity<byte[]> reading(@PathVariable int number) {
        return FileAnswer.saved("wedge-" + number + "-reading.txt", MediaType.TEXT_PLAIN, tones.text(tones.newest(wedges.get(number))));
    }

}
