package wistel.server.print;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.IntStream;
import org.springframework.stereotype.Component;
import wistel.core.cgats.Readings;
import wistel.core.colour.Lab;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.Sharpening;
import wistel.core.fault.Conflict;
import wistel.core.fault.InvalidRequest;
import wistel.core.icc.making.ChartPage;
import wistel.core.icc.making.ProfileChart;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.length.Margins;
import wistel.core.length.Range;
import wistel.core.pairing.PairingVersion;
import wistel.core.paper.PaperBody;
import wistel.core.printer.ColourRoute;
import wistel.core.printer.DriverSettings;
import wistel.core.printer.MediaRow;
import wistel.core.rendition.Rendition;
import wistel.core.sheet.Chart;
import wistel.core.sheet.Mark;
import wistel.core.sheet.Page;
import wistel.core.sheet.Rect;
import wistel.core.sheet.SheetPlan.PixelSize;
import wistel.server.docket.DocketRepository;
import wistel.server.docket.DocketService;
import wistel.server.master.Master;
import wistel.server.pairing.PairingRepository;
import wistel.server.printer.Printer;
import wistel.server.store.ProfileRepository;

/** Patches for an instrument: printed a page at a time with their numbers left alone, and read. */
@Component
public class ChartSheets {
    /** A sheet that everybody has, where nothing is loaded: A4 within usual margins. */
    private static final MediaRow USUAL = new MediaRow("", "", new Range(210, 210),
        new Range(297, 297), new Margins(6, 6, 6, 6));
    /** Round the chart and for the writing below it, as {@link Chart} lays it. */
    private static final double AROUND_MM = 14;
    private static final double WRITING_MM = 22;
    private static final double LONGEST_MM = 1000;
    private static final double LEAST_SHARE = 0.97;
    private static final int LARGEST_READING = 4 << 20;
    private static final double USUAL_BLACK_L = 10;

    private final ChartDockets charts;
    private final DocketRepository dockets;
    private final ReleaseService releases;
    private final AttemptRepository attempts;
    private final PrintedSheets sheets;
    private final PairingRepository pairings;
    private final ProfileRepository profiles;

    ChartSheets(ChartDockets charts, DocketRepository dockets, ReleaseService releases, AttemptRepository attempts, PrintedSheets sheets,
        PairingRepository pairings, ProfileRepository profiles) {
        this.charts = charts;
        this.dockets = dockets;
        this.releases = releases;
        this.attempts = attempts;
        this.sheets = sheets;
        this.pairings = pairings;
        this.profiles = profiles;
    }

    /** That patches may cover. */
    public record Area(double widthMm, double lengthMm) {
    }

    /** On what lies in the printer of a media type, else on a usual sheet. */
    public Area area(Printer printer, String mediaType) {
        MediaRow lies = printer.state().loaded().stream().filter(m -> m.type().equals(mediaType)).findFirst().orElse(USUAL);
        return new Area(lies.widthMm().from() - lies.margins().left() - lies.margins().right() - AROUND_MM,
            lies.roll() ? LONGEST_MM : lies.lengthMm().from() - lies.margins().top() - lies.margins().bottom() - AROUND_MM - WRITING_MM);
    }

    /**
     * How a chart was laid when it was printed: its pages are those at any later time.
     *
     * @param columns  of patches
     * @param lengthMm that they may cover
     */
    public record Laid(int columns, double lengthMm) {
        public List<ChartPage> pages(ProfileChart chart) {
            return ChartPage.of(chart, (columns + 1.5) * ChartPage.PATCH_MM, lengthMm);
        }
    }

    /**
     * @param surface in words
     * @param inks    that it is printed with; empty for the printer maker's own
     */
    public record Paper(String name, String surface, PaperBody body, String inks) {
    }

    /** A pairing that is offered to nobody: what is printed on it goes out with its numbers as they are. */
    public PairingVersion numbersAsTheyAre(Printer printer, Paper paper, DriverSettings settings, Intent intent) {
        boolean gray = settings.monochrome();
        IccProfile asTheyAre = gray ? ChartDockets.GRAYS_AS_THEY_ARE : ChartDockets.AS_THEY_ARE;
        try {
            profiles.add(asTheyAre);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        PairingVersion pairing = pairings.add(new PairingVersion(UUID.randomUUID().toString(), 1, printer.id().toString(), printer.name(),
            paper.name, paper.surface, paper.body, settings, asTheyAre.hash(), intent, new Lab(95, 0, 0), USUAL_BLACK_L)
            .withInks(paper.inks));
        pairings.retire(UUID.fromString(pairing.pairingId()), true);
        return pairing;
    }

    /**
     * Lays and releases a page.
     *
     * @param how     it is read, in a line below the patches
     * @param pairing of {@link #numbersAsTheyAre}
     * @return the page's docket
     */
    public UUID print(ChartPage page, String title, String how, PairingVersion pairing) {
        String file = "chart-page-" + page.number() + ".tif";
        Master master = pairing.grayOnly()
            ? charts.picture(file, new ChartDockets.Grays(red(page.picture()), page.widthPixels(), page.heightPixels()))
            : charts.picture(file, new ChartDockets.Numbers(page.picture(), page.widthPixels(), page.heightPixels()));
        List<String> lines = new ArrayList<>(charts.heading(title, pairing));
        lines.add(how);
        Chart chart = new Chart(DocketSpec.FIRST_ITEM, page.widthMm(), LEAST_SHARE, lines, Optional.of(page.number()));
        return released(docket(title, master, pairing, new ColourRoute.ByWistel(Intent.RELATIVE, false)).withSharpening(Sharpening.OFF),
            chart);
    }

    /**
     * A docket of a picture that Wistel made itself.
     *
     * @param route of a pairing of colours; one of grays goes through the printer's own monochrome
     */
    public DocketSpec docket(String title, Master master, PairingVersion pairing, ColourRoute route) {
        Rendition rendition = Rendition.of(DocketService.FIRST_RENDITION, master.hash()).straightened(false);
        return DocketSpec.fresh(title, rendition, new PixelSize(master.width(), master.height())).withPairing(pairing)
            .withRoute(pairing.grayOnly() ? new ColourRoute.DriverMonochrome() : route).withSettings(pairing.settings());
    }

    /** Lays it on the first stock that it fits, and releases it. */
    public UUID released(DocketSpec docket, Chart chart) {
        ChartDockets.Laid laid = charts.lay(docket, chart);
        releases.release(laid.docket(), dockets.get(laid.docket()).version(), false);
        return laid.docket();
    }

    private static char[] red(char[] rgb) {
        char[] red = new char[rgb.length / 3];
        for (int i = 0; i < red.length; i++) {
            red[i] = rgb[3 * i];
        }
        return red;
    }

    /** The newest of a page. */
    public Optional<Attempt> attempt(UUID docket) {
        return attempts.ofDocket(docket).stream().max((a, b) -> Integer.compare(a.number(), b.number()));
    }

    /**
     * Has the instrument in the printer's room read a page.
     *
     * @throws Conflict as long as it hasn't come out
     */
    public Readings instrument(UUID docket, ChartPage page) {
        PrintedSheets.Sheet sheet = attempt(docket).flatMap(sheets::first)
            .orElseThrow(() -> new Conflict(Conflict.Reason.STOPPED, "Page " + page.number() + " has not come out yet.",
                "Wait until it lies there, dry."));
        return Readings.parse(sheets.measured(sheet, IntStream.range(0, page.patches().size())
            .mapToObj(i -> new PrintedSheets.Spot(page.name(i), page.middle(i)[0], page.middle(i)[1])).toList(), LARGEST_READING));
    }

    /**
     * Has the instrument read patches that lie beside a picture, on the first page of its print.
     *
     * @param names of the patches, in their order
     * @throws Conflict as long as it hasn't come out
     */
    public Readings instrumentBeside(UUID attempt, List<String> names) {
        PrintedSheets.Sheet sheet = sheets.first(attempts.get(attempt))
            .orElseThrow(() -> new Conflict(Conflict.Reason.STOPPED, "This print has not come out yet.", "Wait until it lies there, dry."));
        Page page = attempts.order(attempt).page(1);
        List<Mark.ControlPatch> patches = page.patches();
        return Readings.parse(sheets.measuredAt(sheet, IntStream.range(0, patches.size()).mapToObj(i -> {
            Rect at = patches.get(i).atMm();
            double[] fed = page.asFed(at.x() + at.width() / 2, at.y() + at.height() / 2);
            return new PrintedSheets.Place(names.get(i), fed[0], fed[1]);
        }).toList(), LARGEST_READING));
    }

    /**
     * What was read, by names of places or ids of patches where the reading has all of them, else as they come.
     *
     * @throws InvalidRequest when it holds no colours, or two under one name
     */
    public static List<Readings.Reading> inOrder(ChartPage page, Readings readings) {
        if (readings.kind() != Readings.Kind.COLOUR) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "This reading holds lightness alone; a profile takes colours.",
                "Measure L*a*b*, XYZ or spectra.");
        }
        Map<String, Readings.Reading> byId = new HashMap<>();
        for (Readings.Reading reading : readings.all()) {
            if (byId.put(reading.id(), reading) != null) {
                throw new InvalidRequest(InvalidRequest.Reason.REQUEST_UNCLEAR,
                    "Two patches of this reading are called " + reading.id() + ".",
                    "Call each by its place on the page, or leave the names out.");
            }
        }
        List<Readings.Reading> byName = new ArrayList<>();
        List<Readings.Reading> byPatch = new ArrayList<>();
        for (int i = 0; i < page.patches().size(); i++) {
            byName.add(byId.get(page.name(i)));
            byPatch.add(byId.get(page.patches().get(i).id()));
        }
        return byName.stream().allMatch(Objects::nonNull) ? byName
            : byPatch.stream().allMatch(Objects::nonNull) ? byPatch : readings.all();
    }
}
