package wistel.core.docket;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import wistel.core.docket.DocketSpec.ColourBy;
import wistel.core.docket.DocketSpec.MachineSpec;
import wistel.core.docket.DocketSpec.PictureSpec;
import wistel.core.docket.Finding.Mend;
import wistel.core.docket.Finding.Severity;
import wistel.core.docket.Finding.Station;
import wistel.core.length.Length;
import wistel.core.length.Margins;
import wistel.core.length.Ppi;
import wistel.core.paper.Pairing;
import wistel.core.paper.SheetSize;
import wistel.core.printer.Capabilities;
import wistel.core.printer.Keywords;
import wistel.core.sheet.Placement;

/** The rules that find a wasted sheet before it is wasted. A pure function of the decisions and what they meet. */
public final class Preflight {
    private final DocketSpec d;
    private final PreflightFacts s;
    private final Placement placement;
    private final List<Finding> findings = new ArrayList<>();

    private Preflight(DocketSpec decisions, PreflightFacts facts) {
        this.d = decisions;
        this.s = facts;
        this.placement = place(decisions, facts);
    }

    /** Findings, those that stop the print first. */
    public static List<Finding> findings(DocketSpec decisions, PreflightFacts facts) {
        Preflight preflight = new Preflight(decisions, facts);
        preflight.picture();
        preflight.paper();
        preflight.size();
        preflight.proof();
        preflight.machine();
        preflight.findings.sort(java.util.Comparator.comparing(Finding::severity));
        return List.copyOf(preflight.findings);
    }

    /** Where the picture comes to lie with these decisions. */
    public static Placement place(DocketSpec d, PreflightFacts s) {
        SheetSize sheet = sheet(d);
        DocketSpec.SizeSpec size = d.size();
        return Placement.of(sheet.widthMm(), sheet.heightMm(), size.across(), margins(d, s, sheet), s.widthPx(), s.heightPx(),
            size.widthMm(), size.heightMm(), size.fit() == DocketSpec.Fit.FILL, size.cropX(), size.cropY(),
            size.borders() == DocketSpec.Borders.HEAVIER_FOOT);
    }

    public static SheetSize sheet(DocketSpec d) {
        return SheetSize.KNOWN.stream().filter(k -> k.name().equals(d.size().sheet())).findFirst().orElse(SheetSize.KNOWN.get(0));
    }

    private static Margins margins(DocketSpec d, PreflightFacts s, SheetSize sheet) {
        return s.printer().flatMap(p -> p.media(d.machine().mediaType(), d.machine().feed(), sheet.widthMm(), sheet.heightMm()))
            .map(Capabilities.Media::margins).orElse(Margins.NONE);
    }

    private void add(String code, Severity severity, Station station, String what, String effect, Mend... mends) {
        findings.add(new Finding(code, severity, station, what, effect, List.of(mends)));
    }

    private void picture() {
        if (!s.hasProfile() && !d.picture().profileTaken()) {
            String what = s.profileProblem().isEmpty() ? "The file says nothing about its colour space." : s.profileProblem();
            add("profile-missing", Severity.LOOK, Station.PICTURE, what,
                "Its numbers are read as " + s.sourceName() + "; if it came from another space, the print is duller or louder than meant.",
                new Mend("Read it as " + s.sourceName(), d.withPicture(new PictureSpec(true))));
        }
    }

    private void paper() {
        if (s.pairing().isEmpty()) {
            add("pairing-missing", Severity.STOP, Station.PAPER, "No paper is chosen yet.", "Without a pairing nothing is known of printer, profile or feed.");
        } else if (s.printer().isEmpty()) {
            add("printer-unknown", Severity.STOP, Station.RELEASE, s.pairing().get().printerName() + " has never answered.",
                "What it can print isn't known, so nothing can be checked. Switch it on; Wistel asks again by itself.");
        } else if (s.printerAway()) {
            add("printer-away", Severity.LOOK, Station.RELEASE, s.pairing().get().printerName() + " doesn't answer just now.",
                "The docket can be released: it waits and prints when the printer is back.");
        }
    }

    private void size() {
        if (placement.largerThanSheet()) {
            add("larger-than-sheet", Severity.STOP, Station.SIZE,
                "The picture (" + mm(placement.width()) + " × " + mm(placement.height()) + " mm) is larger than the sheet ("
                    + mm(placement.sheetWidthMm()) + " × " + mm(placement.sheetHeightMm()) + " mm).",
                "It doesn't fit this paper.", toPrintable());
        } else if (!placement.overhangs().isEmpty()) {
            String where = placement.overhangs().stream().map(o -> "the " + o.side() + " " + mm(o.mm()) + " mm").collect(Collectors.joining(", "));
            add("on-unprintable-edge", Severity.STOP, Station.SIZE, "The picture runs into the edge that " + Keywords.feed(d.machine().feed()) + " can't print.",
                capital(where) + " of it would stay white.", toPrintable());
        }
        double ppi = finalPpi();
        Ppi.Label label = Ppi.label(ppi, d.size().viewingMm());
        if (label == Ppi.Label.POOR || label == Ppi.Label.FAIR) {
            add("few-pixels", Severity.LOOK, Station.SIZE, "Only " + Math.round(ppi) + " pixels an inch at this size.",
                label == Ppi.Label.POOR ? "Edges look soft or stepped at reading distance." : "Fine detail looks a little soft close up.");
        }
        if (d.size().pixels() == DocketSpec.Pixels.RESAMPLE) {
            double share = Math.pow(d.size().resamplePpi() / placement.ppi(), 2);
            if (share < 0.98) {
                add("pixels-discarded", Severity.LOOK, Station.SIZE, "Resampling to " + d.size().resamplePpi() + " ppi discards "
                    + percent(1 - share) + " of the pixels.", "The printer gets less than the picture holds.", keepPixels());
            } else if (share > 1.02) {
                add("pixels-invented", Severity.NOTE, Station.SIZE, "Resampling to " + d.size().resamplePpi() + " ppi invents "
                    + percent(1 - 1 / share) + " of the pixels.", "No detail is gained by it.", keepPixels());
            }
        }
        if (placement.lostShare() > 0.0005) {
            add("cropped", Severity.NOTE, Station.SIZE, percent(placement.lostShare()) + " of the picture is cropped away to fill the frame.",
                "What lies outside the frame is not printed.");
        }
    }

    private double finalPpi() {
        return d.size().pixels() == DocketSpec.Pixels.RESAMPLE ? Math.min(placement.ppi(), d.size().resamplePpi()) : placement.ppi();
    }

    private Mend keepPixels() {
        DocketSpec.SizeSpec z = d.size();
        return new Mend("Keep the pixels", d.withSize(new DocketSpec.SizeSpec(z.sheet(), z.across(), z.widthMm(), z.heightMm(), z.fit(), z.cropX(), z.cropY(),
            z.borders(), DocketSpec.Pixels.KEEP, z.resamplePpi(), z.viewingMm())));
    }

    /** The largest frame of the same shape that lies wholly on printable paper where the borders put it. */
    private Mend toPrintable() {
        Margins m = placement.margins();
        double shape = placement.width() / placement.height();
        double halfWidth = placement.sheetWidthMm() / 2 - Math.max(m.left(), m.right());
        double foot = d.size().borders() == DocketSpec.Borders.HEAVIER_FOOT ? 0.4 : 0.5;
        double spare = Math.max(m.top() / foot, m.bottom() / (1 - foot));
        double w = Math.min(2 * halfWidth, (placement.sheetHeightMm() - spare) * shape);
        double width = Math.floor(w * 10) / 10;
        return new Mend("Make it " + mm(width) + " mm wide", d.withSize(d.size().withFrame(width, width / shape)));
    }

    private void proof() {
        if (s.pairing().isPresent() && !d.proof().looked()) {
            add("proof-not-looked-at", Severity.LOOK, Station.PROOF, "The proof on this paper has not been looked at.",
                "What this paper does to the picture shows there, before it costs a sheet.");
        }
    }

    private void machine() {
        if (s.pairing().isEmpty() || s.printer().isEmpty()) {
            return;
        }
        Pairing pairing = s.pairing().get();
        Capabilities printer = s.printer().get();
        MachineSpec m = d.machine();
        if (!m.mediaType().equals(pairing.mediaType())) {
            add("media-type-differs", Severity.STOP, Station.MACHINE, "The printer is set to " + Keywords.words(m.mediaType()) + ", the profile was made for "
                + Keywords.words(pairing.mediaType()) + ".", "Another media type lays down other amounts of ink: the profile and the proof no longer hold.",
                new Mend("Set " + Keywords.words(pairing.mediaType()), d.withMachine(new MachineSpec(pairing.mediaType(), m.feed(), m.quality(), m.colourBy()))));
        }
        SheetSize sheet = sheet(d);
        if (!printer.offersFeed(m.mediaType(), m.feed())) {
            add("feed-not-for-media", Severity.STOP, Station.MACHINE, capital(Keywords.feed(m.feed())) + " doesn't take " + Keywords.words(m.mediaType()) + ".",
                "The printer would refuse the sheet or bend it.",
                new Mend("Use " + Keywords.feed(pairing.feed()), d.withMachine(new MachineSpec(m.mediaType(), pairing.feed(), m.quality(), m.colourBy()))));
        } else if (printer.media(m.mediaType(), m.feed(), sheet.widthMm(), sheet.heightMm()).isEmpty()) {
            add("sheet-not-for-feed", Severity.STOP, Station.SIZE, pairing.printerName() + " doesn't take " + sheet.name() + " of this kind through "
                + Keywords.feed(m.feed()) + ".", "The sheet can't be printed there.");
        }
        if (m.quality() != pairing.quality()) {
            add("quality-differs", Severity.LOOK, Station.MACHINE, "The profile was made at " + Keywords.quality(pairing.quality()) + " quality, this is set to "
                + Keywords.quality(m.quality()) + ".", "Colours shift a little, mostly in the shadows.",
                new Mend("Set " + Keywords.quality(pairing.quality()), d.withMachine(new MachineSpec(m.mediaType(), m.feed(), pairing.quality(), m.colourBy()))));
        }
        if (m.colourBy() == ColourBy.DRIVER) {
            add("driver-converts", Severity.LOOK, Station.MACHINE, "The driver converts the colour, with a conversion of its own.",
                "The pairing's profile and the proof don't apply: the print will differ from what you judged.",
                new Mend("Let Wistel convert", d.withMachine(new MachineSpec(m.mediaType(), m.feed(), m.quality(), ColourBy.WISTEL))));
        } else if (!printer.rasterTypes().contains("device3_16")) {
            add("no-device-space", Severity.STOP, Station.MACHINE, pairing.printerName() + " doesn't take colour in its own space.",
                "It would convert a second time what Wistel has converted: too saturated, too dark.",
                new Mend("Let the driver convert", d.withMachine(new MachineSpec(m.mediaType(), m.feed(), m.quality(), ColourBy.DRIVER))));
        }
        loaded(printer, m, sheet);
    }

    private void loaded(Capabilities printer, MachineSpec m, SheetSize sheet) {
        Optional<Capabilities.Media> ready = printer.loaded().stream().filter(l -> l.feed().equals(m.feed())).findFirst();
        if (ready.isPresent() && !s.printerAway()
            && (!ready.get().type().equals(m.mediaType()) || !ready.get().fits(sheet.widthMm(), sheet.heightMm()))) {
            String there = SheetSize.near(ready.get().widthMm(), ready.get().heightMm()).map(SheetSize::name)
                .orElse(mm(ready.get().widthMm()) + " × " + mm(ready.get().heightMm()) + " mm");
            add("other-paper-loaded", Severity.LOOK, Station.RELEASE, capital(Keywords.feed(m.feed())) + " holds " + there + " "
                + Keywords.words(ready.get().type()) + " now.", "Load " + sheet.name() + " " + Keywords.words(m.mediaType())
                + " first; the printer waits for it.");
        }
    }

    private static String mm(double mm) {
        return Length.mm(mm);
    }

    static String percent(double share) {
        return String.format(Locale.ROOT, share < 0.1 ? "%.1f %%" : "%.0f %%", 100 * share);
    }

    static String capital(String words) {
        return words.isEmpty() ? words : Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }
}
