package wistel.core.docket.findings;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import wistel.core.docket.findings.Finding.Code;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.length.Length;
import wistel.core.pairing.PairingVersion;
import wistel.core.paper.Surface;
import wistel.core.printer.ColourRoute;
import wistel.core.printer.DriverSettings;
import wistel.core.printer.PrinterDescription;
import wistel.core.printer.PrinterRules;
import wistel.core.printer.RasterType;
import wistel.core.sheet.Overhang;
import wistel.core.sheet.Page;
import wistel.core.sheet.Placed;
import wistel.core.sheet.Rect;

/**
 * A page as the settings would have it come out, mistakes included: what happens to its colours, and what is to be pointed at.
 *
 * @param raster whose colour the numbers are that the printer would be sent
 * @param by     the pairing whose profile stands for what this media type lays down, where that is not the docket's own
 */
public record PrintPrediction(Colours colours, RasterType.Space raster, Optional<PairingVersion> by, List<Note> notes) {
    private static final Set<Surface> GLOSSY = Set.of(Surface.GLOSS, Surface.LUSTRE);

    /**
     * What becomes of the colours: as judged in the proof; laid down for another media type, known by another pairing or not; converted by
     * the driver, or twice, or by nobody; the driver's gray, which nothing was measured of, or a wedge was.
     */
    public enum Colours {
        AS_PROOFED(true), OTHER_TYPE(true), OTHER_TYPE_UNKNOWN(false), BY_DRIVER(true), TWICE(true), UNCONVERTED(true), DRIVER_GRAY(false),
        DRIVER_GRAY_MEASURED(true);

        private final boolean predicted;

        Colours(boolean predicted) {
            this.predicted = predicted;
        }

        /** Whether they are worked out; else the proof is shown in their place. */
        public boolean predicted() {
            return predicted;
        }
    }

    /**
     * One thing on the sheet that is to be seen.
     *
     * @param code of the finding that says the same, where there is one
     * @param atMm where, on the page as it is looked at
     */
    public record Note(Optional<Code> code, String text, Rect atMm) {
    }

    public PrintPrediction {
        notes = List.copyOf(notes);
    }

    /** @param known pairings, of which one may tell how another media type prints */
    public static PrintPrediction of(DocketSpec d, PreflightFacts facts, Page page, List<PairingVersion> known) {
        PrinterDescription printer = facts.described();
        PairingVersion own = facts.pairing().orElseThrow();
        boolean device = printer.raster(new ColourRoute.ByWistel(own.intent(), true)).isPresent();
        boolean tagged = printer.raster(new ColourRoute.ByDriver()).isPresent();
        Optional<PairingVersion> other = Optional.empty();
        Colours colours;
        RasterType.Space raster;
        if (d.route() instanceof ColourRoute.DriverMonochrome) {
            colours = own.grayOnly() ? Colours.AS_PROOFED : facts.curve(d).isPresent() ? Colours.DRIVER_GRAY_MEASURED : Colours.DRIVER_GRAY;
            raster = RasterType.Space.GRAY;
        } else if (d.route() instanceof ColourRoute.ByDriver by) {
            colours = tagged || !device ? Colours.BY_DRIVER : Colours.UNCONVERTED;
            raster = by.space();
        } else if (!device && tagged) {
            colours = Colours.TWICE;
            raster = RasterType.Space.DEVICE;
        } else {
            boolean right = d.settings().mediaType().equals(own.settings().mediaType());
            other = right ? Optional.empty() : standsFor(d.settings().mediaType(), own, known);
            colours = right ? Colours.AS_PROOFED : other.isPresent() ? Colours.OTHER_TYPE : Colours.OTHER_TYPE_UNKNOWN;
            raster = RasterType.Space.DEVICE;
        }
        List<Note> notes = new ArrayList<>();
        edges(d, facts, page, notes);
        colour(colours, d, facts, page, other).filter(n -> !page.placed().isEmpty()).ifPresent(notes::add);
        return new PrintPrediction(colours, raster, other, notes);
    }

    /** A pairing of this printer with that media type: of the same paper, or of one that takes the same black ink in the same way. */
    private static Optional<PairingVersion> standsFor(String mediaType, PairingVersion own, List<PairingVersion> known) {
        List<PairingVersion> of = known.stream()
            .filter(p -> p.printerId().equals(own.printerId()) && p.settings().mediaType().equals(mediaType)).toList();
        return of.stream().filter(p -> p.paper().equals(own.paper())).findFirst()
            .or(() -> of.stream().filter(p -> GLOSSY.contains(Surface.of(p.surface())) == GLOSSY.contains(Surface.of(own.surface())))
                .findFirst());
    }

    private static void edges(DocketSpec d, PreflightFacts facts, Page page, List<Note> notes) {
        String feed = facts.described().feed(d.settings().feed());
        for (Placed placed : page.placed()) {
            for (Overhang o : Overhang.of(page, placed)) {
                notes.add(new Note(Optional.of(Code.ON_UNPRINTABLE_EDGE),
                    Length.mm(o.mm()) + " mm at the " + o.side().word() + " edge stay white: " + feed + " can't print there",
                    strip(page, placed.printedMm(), o)));
            }
        }
        if (page.overMm() > 0) {
            notes.add(new Note(Optional.empty(), Length.mm(page.overMm()) + " mm go over each edge and are lost",
                new Rect(0, 0, page.widthMm(), Math.min(page.heightMm(), 2 * page.overMm()))));
        }
        List<String> ends = new PrinterRules(facts.described()).topMargins(facts.job(d));
        String now = facts.job(d).get(DriverSettings.TOP_MARGIN);
        if (ends.size() > 1 && !now.isEmpty() && !now.equals(ends.get(0)) && facts.pairing().orElseThrow().body().lifts()) {
            double kept = Integer.parseInt(ends.get(0)) / 100.0;
            Rect lead = page.feedTurn().swapsSides() ? new Rect(0, 0, kept, page.heightMm()) : new Rect(0, 0, page.widthMm(), kept);
            notes.add(new Note(Optional.of(Code.ENDS_WAIVED), "this paper lifts: the head may touch it here", lead));
        }
    }

    private static Rect strip(Page page, Rect at, Overhang o) {
        double left = Math.max(0, at.x());
        double top = Math.max(0, at.y());
        double right = Math.min(page.widthMm(), at.right());
        double bottom = Math.min(page.heightMm(), at.bottom());
        return switch (o.side()) {
            case LEFT -> new Rect(left, top, Math.max(1, page.unprintable().left() - left), bottom - top);
            case RIGHT -> new Rect(page.widthMm() - page.unprintable().right(), top,
                Math.max(1, right - page.widthMm() + page.unprintable().right()), bottom - top);
            case UPPER -> new Rect(left, top, right - left, Math.max(1, page.unprintable().top() - top));
            case LOWER -> new Rect(left, page.heightMm() - page.unprintable().bottom(), right - left,
                Math.max(1, bottom - page.heightMm() + page.unprintable().bottom()));
        };
    }

    private static Optional<Note> colour(Colours colours, DocketSpec d, PreflightFacts facts, Page page, Optional<PairingVersion> other) {
        PrinterDescription printer = facts.described();
        PairingVersion own = facts.pairing().orElseThrow();
        String set = "set for " + printer.type(d.settings().mediaType()) + ", the profile was made for "
            + printer.type(own.settings().mediaType());
        Rect at = page.placed().stream().findFirst().map(p -> p.on(page.widthMm(), page.heightMm()).map(Placed::atMm).orElse(p.atMm()))
            .orElse(new Rect(0, 0, page.widthMm(), page.heightMm()));
        return switch (colours) {
            case AS_PROOFED, DRIVER_GRAY_MEASURED -> Optional.empty();
            case OTHER_TYPE -> said(Code.MEDIA_TYPE_DIFFERS, set + ". Shown by the profile of " + other.orElseThrow().paper()
                + (other.get().paper().equals(own.paper()) ? "" : ", on the white of this paper"), at);
            case OTHER_TYPE_UNKNOWN -> said(Code.MEDIA_TYPE_DIFFERS, set + ". How that lies on this paper is not known: the proof is shown",
                at);
            case BY_DRIVER -> said(Code.DRIVER_CONVERTS, "the driver's own conversion, shown as a plain one would come out", at);
            case TWICE -> said(Code.NO_DEVICE_SPACE, "converted twice: by Wistel and once more by the printer", at);
            case UNCONVERTED -> said(Code.NOBODY_CONVERTS, "converted by nobody: the picture's numbers as they are", at);
            case DRIVER_GRAY -> said(Code.MONOCHROME_UNMEASURED, "the driver's gray: how light or dark it prints is not known", at);
        };
    }

    private static Optional<Note> said(Code code, String text, Rect at) {
        return Optional.of(new Note(Optional.of(code), text, at));
    }
}
