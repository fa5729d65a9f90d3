package wistel.server.print;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import wistel.core.docket.changes.Change;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.fault.InvalidRequest;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.length.Margins;
import wistel.core.pairing.PairingVersion;
import wistel.core.paper.SheetSize;
import wistel.core.paper.Stock;
import wistel.core.printer.MediaRow;
import wistel.core.render.RasterSink;
import wistel.core.render.TiffSink;
import wistel.core.sheet.SheetPlan;
import wistel.server.docket.DocketAssessor;
import wistel.server.docket.DocketRepository;
import wistel.server.master.Master;
import wistel.server.master.MasterImport;

/** Dockets of what is printed to be measured or judged: they lie on no bench, and go through the queue that every print goes through. */
@Service
public class ChartDockets {
    private static final List<String> SHEETS = List.of("A4", "Letter", "A3", "A3+");
    private static final int DPI = 254;
    private static final DateTimeFormatter DATE = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);

    private final MasterImport imports;
    private final DocketRepository dockets;
    private final DocketAssessor assessor;
    private final Clock clock;

    ChartDockets(MasterImport imports, DocketRepository dockets, DocketAssessor assessor, Clock clock) {
        this.imports = imports;
        this.dockets = dockets;
        this.assessor = assessor;
        this.clock = clock;
    }

    /** @param codes 16-bit L*, row by row */
    public record Grays(char[] codes, int width, int height) {
    }

    /**
     * Numbers of a printer that it is to be sent as they are: tagged with {@link #AS_THEY_ARE}.
     *
     * @param codes red, green, blue of 16 bits, row by row
     */
    public record Numbers(char[] codes, int width, int height) {
    }

    /** The profile of a pairing on which numbers are left alone: from a picture with the same profile the way is no way. */
    public static final IccProfile AS_THEY_ARE = StandardSpaces.SRGB;

    /** The same of a printer's own monochrome: as much gray as L* says. */
    public static final IccProfile GRAYS_AS_THEY_ARE = StandardSpaces.GRAY_L;

    /** A picture that Wistel made itself, kept as any other. */
    public Master picture(String name, Grays grays) {
        return picture(name, new Raster(grays.codes, grays.width, grays.height, 1, GRAYS_AS_THEY_ARE));
    }

    public Master picture(String name, Numbers numbers) {
        return picture(name, new Raster(numbers.codes, numbers.width, numbers.height, 3, AS_THEY_ARE));
    }

    /** @param codes red, green, blue of 16 bits in the wide space of {@link StandardSpaces#WIDE_RGB}, row by row */
    public record Colours(char[] codes, int width, int height) {
    }

    public Master picture(String name, Colours colours) {
        return picture(name, new Raster(colours.codes, colours.width, colours.height, 3, StandardSpaces.WIDE_RGB));
    }

    private record Raster(char[] codes, int width, int height, int channels, IccProfile profile) {
    }

    private Master picture(String name, Raster raster) {
        try {
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            TiffSink tiff = new TiffSink(raster.width, raster.height, 16, raster.channels, DPI, raster.profile.bytes(), new byte[0]);
            tiff.begin(out, raster.height);
            RasterSink.Packed packed = tiff.pack(raster.codes, 0, raster.height);
            out.write(packed.bytes(), 0, packed.size());
            return imports.take(name, new ByteArrayInputStream(out.toByteArray())).master();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The first two lines below what is printed: what it is and when, and the paper on its printer. */
    public List<String> heading(String title, PairingVersion pairing) {
        return List.of(title + " · " + LocalDate.now(clock).format(DATE), pairing.paper() + " on " + pairing.printerName());
    }

    /** @param margins of its stock that can't be printed on */
    public record Laid(UUID docket, DocketSpec spec, Margins margins) {
    }

    /**
     * On the first stock that it fits: one that lies in the printer, else a usual sheet or a roll.
     *
     * @param d on a pairing
     * @throws InvalidRequest when the printer takes none that it fits
     */
    public Laid lay(DocketSpec d, SheetPlan plan) {
        UUID id = dockets.add(d);
        dockets.putAway(id, dockets.get(id).version());
        DocketRepository.Row row = dockets.get(id);
        PreflightFacts facts = assessor.assess(row).facts();
        String smallest = facts.pairing().orElseThrow().printerName() + " takes no sheet or roll of this media type that this fits.";
        for (Stock stock : stocks(facts, d)) {
            Optional<String> feed = facts.feedFor(d, stock);
            if (feed.isEmpty()) {
                continue;
            }
            Change onto = new Change.Charted(plan, stock, feed.get());
            DocketSpec laid = onto.on(d);
            if (assessor.assess(row.with(laid)).layout().unplaced().isEmpty()) {
                dockets.change(id, row.version(), onto);
                return new Laid(id, laid, facts.margins(laid));
            }
            smallest = "This doesn't fit " + stock.name() + ".";
        }
        throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, smallest, "Load a larger size; of a wedge, take fewer steps.");
    }

    private static List<Stock> stocks(PreflightFacts facts, DocketSpec d) {
        Stream<Stock> loaded = facts.state().loaded().stream().filter(l -> l.type().equals(d.settings().mediaType()))
            .flatMap(ChartDockets::stock);
        Stream<Stock> usual = SHEETS.stream().map(SheetSize::named).flatMap(Optional::stream).map(Stock.Sheet::of).map(Stock.class::cast);
        return Stream.concat(Stream.concat(loaded, usual), facts.rolls(d).stream()).toList();
    }

    private static Stream<Stock> stock(MediaRow l) {
        return l.roll() ? Stream.of(new Stock.Roll(l.widthMm().from()))
            : SheetSize.KNOWN.stream().filter(s -> l.widthMm().holds(s.widthMm()) && l.lengthMm().holds(s.heightMm())).map(Stock.Sheet::of)
                .map(Stock.class::cast).limit(1);
    }
}
