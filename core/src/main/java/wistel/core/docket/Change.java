package wistel.core.docket;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import wistel.core.fault.InvalidRequest;
import wistel.core.length.Length;
import wistel.core.paper.PairingVersion;
import wistel.core.paper.Stock;
import wistel.core.printer.ColourRoute;
import wistel.core.printer.DriverSettings;
import wistel.core.printer.PrinterDescription;
import wistel.core.rendition.Compensated;
import wistel.core.pictures.SideFill;
import wistel.core.pictures.SideMoves;
import wistel.core.rendition.Treatment;
import wistel.core.sheet.Annotation;
import wistel.core.sheet.Borders;
import wistel.core.sheet.Chart;
import wistel.core.sheet.Cut;
import wistel.core.sheet.Edge;
import wistel.core.sheet.Rect;
import wistel.core.sheet.Single;
import wistel.core.sheet.Wrap;

/** One decision: what a person did, what a mend would do, and what undo says it takes back. */
public sealed interface Change {
    int MOST_TOGETHER = 12;

    /** @throws InvalidRequest when it can't be done to this docket */
    DocketSpec on(DocketSpec d);

    /** Short, as it stands behind "Undo:" and "Redo:". */
    String words();

    record Titled(String title) implements Change {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withTitle(title.isBlank() ? "Untitled" : title.strip());
        }

        @Override
        public String words() {
            return "title";
        }
    }

    record Noted(String notes) implements Change {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withNotes(notes);
        }

        @Override
        public String words() {
            return "notes";
        }
    }

    record Copies(int copies) implements Change {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withCopies(copies);
        }

        @Override
        public String words() {
            return copies == 1 ? "one copy" : copies + " copies";
        }
    }

    /** A missing profile was answered. */
    record ProfileConfirmed(String renditionId) implements Change {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withRendition(d.rendition(renditionId).confirmed());
        }

        @Override
        public String words() {
            return "how the picture is read";
        }
    }

    /** In colour or in monochrome. */
    record Treated(String renditionId, Treatment treatment) implements Change {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withRendition(d.rendition(renditionId).treated(treatment));
        }

        @Override
        public String words() {
            return treatment.words();
        }
    }

    /** Moves, their origin, and whether they are in force. */
    record Compensates(String renditionId, Compensated compensation) implements Change {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withRendition(d.rendition(renditionId).compensated(compensation));
        }

        @Override
        public String words() {
            return compensation.on() ? compensation.words() : "without the compensation";
        }
    }

    /** Laid out as a chart to be measured or judged, on a stock that this feed takes. */
    record Charted(Chart chart, Stock stock, String feed) implements Change {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withPlan(chart).withStock(stock).withSettings(d.settings().with(DriverSettings.FEED, feed));
        }

        @Override
        public String words() {
            return "laid out as a chart";
        }
    }

    /** The curve of the monochrome mode is in force, or the tones are left as they fall. */
    record Straightens(String renditionId, boolean on) implements Change {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withRendition(d.rendition(renditionId).straightened(on));
        }

        @Override
        public String words() {
            return on ? "tones straightened" : "tones as they fall";
        }
    }

    /**
     * A pairing was chosen, with all that hangs on it.
     *
     * @param usual what pictures without moves start with on it; empty when that is nothing
     */
    record Paired(PairingVersion pairing, Optional<Compensated> usual) implements Change {
        public Paired(PairingVersion pairing) {
            this(pairing, Optional.empty());
        }

        @Override
        public DocketSpec on(DocketSpec d) {
            DocketSpec paired = d.withPairing(pairing);
            return usual.isEmpty() ? paired
                : paired.withRenditions(paired.renditions().stream().map(r -> r.compensation().moves().isEmpty() ? r.compensated(usual.get()) : r).toList());
        }

        @Override
        public String words() {
            return "paper " + pairing.paper();
        }
    }

    /** @param feed that takes it, where the present one doesn't */
    record Stocked(Stock stock, Optional<String> feed) implements Change {
        @Override
        public DocketSpec on(DocketSpec d) {
            DocketSpec stocked = (d.plan() instanceof Wrap wrap ? d.withPlan(wrap.lying(stock)) : d).withStock(stock);
            return feed.map(f -> stocked.withSettings(d.settings().with(DriverSettings.FEED, f))).orElse(stocked);
        }

        @Override
        public String words() {
            return stock instanceof Stock.Sheet ? "sheet " + stock.name() : stock.name();
        }
    }

    record Framed(double widthMm, double heightMm) implements Change {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withPlan(d.single().framed(widthMm, heightMm));
        }

        @Override
        public String words() {
            return "picture " + Length.mm(widthMm) + " × " + Length.mm(heightMm) + " mm";
        }
    }

    /** Laid there by hand: its borders are what is left of the paper. On a roll both ends get the leading border. */
    record Laid(Rect at) implements Change {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withPlan(d.single().laid(at, d.stock()));
        }

        @Override
        public String words() {
            return "picture " + Length.mm(at.width()) + " × " + Length.mm(at.height()) + " mm, " + Length.mm(at.x()) + " from the left, " + Length.mm(at.y()) + " from above";
        }
    }

    record Turned() implements Change {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withPlan(d.plan() instanceof Wrap wrap ? wrap.turned() : d.single().turned());
        }

        @Override
        public String words() {
            return "sheet turned";
        }
    }

    record Fitted(Single.Fit fit) implements Change {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withPlan(d.single().fitted(fit));
        }

        @Override
        public String words() {
            return fit == Single.Fit.FILL ? "fill the frame" : "all of the picture";
        }
    }

    /** Filled, in a frame that was worked out for it. */
    record Filled(double widthMm, double heightMm) implements Change {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withPlan(d.single().fitted(Single.Fit.FILL).framed(widthMm, heightMm));
        }

        @Override
        public String words() {
            return "fill the frame";
        }
    }

    record Cropped(double cropX, double cropY) implements Change {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withPlan(d.plan() instanceof Wrap wrap ? wrap.cropped(cropX, cropY) : d.single().cropped(cropX, cropY));
        }

        @Override
        public String words() {
            return "crop moved";
        }
    }

    /** Another part of the picture is wanted. */
    record Trimmed(Cut cut) implements Change {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withPlan(d.plan() instanceof Wrap wrap ? wrap.cut(cut) : d.single().cut(cut));
        }

        @Override
        public String words() {
            return cut.whole() ? "all of the picture" : cut.degrees() == 0 ? "crop" : "crop, straightened by " + Math.round(cut.degrees() * 10) / 10.0 + "°";
        }
    }

    record Edged(Edge edge) implements Change {
        @Override
        public DocketSpec on(DocketSpec d) {
            Single edged = d.single().edged(edge);
            // printed to the edge, white is not what is meant
            return d.withPlan(edge.borderless() && !d.single().edge().borderless() ? edged.fitted(Single.Fit.FILL) : edged);
        }

        @Override
        public String words() {
            String bleed = edge.bleedMm() > 0 ? "mirrored bleed of " + Length.mm(edge.bleedMm()) + " mm" : "";
            return !edge.borderless() ? bleed.isEmpty() ? "with borders" : bleed : bleed.isEmpty() ? "borderless" : "borderless, " + bleed;
        }
    }

    /** Round a body. */
    record Wraps(Wrap wrap) implements Change {
        @Override
        public DocketSpec on(DocketSpec d) {
            d.rendition(wrap.renditionId());
            return d.withPlan(wrap);
        }

        @Override
        public String words() {
            return Words.wrap(wrap);
        }
    }

    /** One picture on a sheet, as large as its face was. */
    record Unwraps(Single single) implements Change {
        @Override
        public DocketSpec on(DocketSpec d) {
            d.rendition(single.renditionId());
            return d.withPlan(single);
        }

        @Override
        public String words() {
            return "one picture on the sheet";
        }
    }

    record SidesFilled(SideFill fill) implements Change {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withPlan(d.wrap().filled(fill));
        }

        @Override
        public String words() {
            return fill.words();
        }
    }

    record SidesMoved(SideMoves moves) implements Change {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withPlan(d.wrap().moved(moves));
        }

        @Override
        public String words() {
            return moves.changesNothing() ? "sides as they are" : "sides " + Words.sides(moves);
        }
    }

    /** Caption, rule and cut marks. */
    record Annotated(Annotation annotation) implements Change {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withAnnotation(annotation);
        }

        @Override
        public String words() {
            return "what is written and drawn round the picture";
        }
    }

    record Sharpened(Sharpening sharpening) implements Change {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withSharpening(sharpening);
        }

        @Override
        public String words() {
            return sharpening == Sharpening.OFF ? "no sharpening" : sharpening.name().toLowerCase(Locale.ROOT) + " sharpening";
        }
    }

    record Bordered(Borders borders) implements Change {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withPlan(d.single().bordered(borders));
        }

        @Override
        public String words() {
            if (borders instanceof Borders.Sides s) {
                return "borders of " + Length.mm(s.top()) + ", " + Length.mm(s.right()) + ", " + Length.mm(s.bottom()) + " and " + Length.mm(s.left()) + " mm";
            }
            return borders instanceof Borders.HeavierFoot ? "heavier foot" : "even borders";
        }
    }

    /** Pixels kept or resampled, or another viewing distance. */
    record Resolved(Resolution resolution) implements Change {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withResolution(resolution);
        }

        @Override
        public String words() {
            return resolution.pixels() == Resolution.Pixels.RESAMPLE ? "resample to " + resolution.resamplePpi() + " ppi" : "keep the pixels";
        }
    }

    record Routed(ColourRoute route) implements Change {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withRoute(route);
        }

        @Override
        public String words() {
            return route instanceof ColourRoute.ByWistel by ? Words.intent(by.intent()) + (by.compensatesBlack() ? ", black compensated" : "")
                : route instanceof ColourRoute.DriverMonochrome ? "the driver's monochrome" : "the driver converts";
        }
    }

    /** Several things that go together, taken back together. */
    record Together(List<Change> changes) implements Change {
        public Together {
            changes = List.copyOf(changes);
            if (changes.isEmpty() || changes.size() > MOST_TOGETHER) {
                throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, changes.size() + " changes can't be made together.", "Make them one after the other.");
            }
        }

        @Override
        public DocketSpec on(DocketSpec d) {
            DocketSpec next = d;
            for (Change change : changes) {
                next = change.on(next);
            }
            return next;
        }

        @Override
        public String words() {
            return changes.stream().map(Change::words).collect(Collectors.joining(", "));
        }
    }

    /**
     * One setting of the printer, by its IPP name.
     *
     * @param said the value in the printer's own words; empty when it has none
     */
    record Set(String setting, String value, String said) implements Change {
        public Set(String setting, String value) {
            this(setting, value, "");
        }

        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withSettings(d.settings().with(setting, value));
        }

        @Override
        public String words() {
            String word = said.isEmpty() ? PrinterDescription.UNKNOWN.word(setting, value) : said;
            return switch (setting) {
                case DriverSettings.MEDIA_TYPE, DriverSettings.FEED -> word;
                case DriverSettings.QUALITY -> word + " quality";
                default -> value.isEmpty() ? PrinterDescription.UNKNOWN.word(setting) + " left to the printer" : PrinterDescription.UNKNOWN.word(setting) + " " + word;
            };
        }
    }
}
