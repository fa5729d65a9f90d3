package wistel.core.docket;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import wistel.core.docket.Finding.Mend;
import wistel.core.length.Length;
import wistel.core.length.Range;
import wistel.core.paper.PairingVersion;
import wistel.core.printer.DriverSettings;
import wistel.core.printer.Keywords;
import wistel.core.printer.PrinterDescription;
import wistel.core.sheet.Edge;
import wistel.core.sheet.Layout;
import wistel.core.sheet.Single;

/** The printer's settings against the pairing that the profile was made for, and against what the printer offers. */
final class SettingsRule implements Rule {
    @Override
    public Stream<Finding> check(DocketSpec d, PreflightFacts facts, Layout layout) {
        if (facts.pairing().isEmpty() || facts.printer().isEmpty()) {
            return Stream.empty();
        }
        PairingVersion pairing = facts.pairing().get();
        PrinterDescription printer = facts.printer().get();
        DriverSettings now = d.settings();
        DriverSettings made = pairing.settings();
        List<Finding> found = new ArrayList<>();
        if (!now.mediaType().equals(made.mediaType())) {
            found.add(Finding.stop(Stage.MACHINE, "media-type-differs", "The printer is set to " + Keywords.words(now.mediaType()) + ", the profile was made for "
                + Keywords.words(made.mediaType()) + ".", "Another media type lays down other amounts of ink: the profile and the proof no longer hold.",
                new Mend("Set " + Keywords.words(made.mediaType()), new Change.Set(DriverSettings.MEDIA_TYPE, made.mediaType()))));
        }
        if (!printer.offersFeed(now.mediaType(), now.feed())) {
            found.add(Finding.stop(Stage.MACHINE, "feed-not-for-media", Words.capital(Keywords.feed(now.feed())) + " doesn't take " + Keywords.words(now.mediaType()) + ".",
                "The printer would refuse the sheet or bend it.", new Mend("Use " + Keywords.feed(made.feed()), new Change.Set(DriverSettings.FEED, made.feed()))));
        } else if (facts.media(d).isEmpty()) {
            found.add(Finding.stop(Stage.SIZE, "sheet-not-for-feed", Words.printer(pairing) + " doesn't take " + d.stock().name() + " of this kind through "
                + Keywords.feed(now.feed()) + (borderless(d) ? ", borderless." : "."), "It can't be printed there.", elsewhere(d, facts)));
        } else {
            offered(d, facts, layout, found);
        }
        if (now.quality() != made.quality()) {
            found.add(Finding.look(Stage.MACHINE, "quality-differs", "The profile was made at " + Keywords.quality(made.quality()) + " quality, this is set to "
                + Keywords.quality(now.quality()) + ".", "Colours shift a little, mostly in the shadows.",
                new Mend("Set " + Keywords.quality(made.quality()), new Change.Set(DriverSettings.QUALITY, Integer.toString(made.quality())))));
        }
        return found.stream();
    }

    private static boolean borderless(DocketSpec d) {
        return d.plan() instanceof Single single && single.edge().borderless();
    }

    /** With borders, where only borderless is not offered; else by a feed that takes it. */
    private static Mend[] elsewhere(DocketSpec d, PreflightFacts facts) {
        if (borderless(d) && facts.offersStock(d)) {
            return new Mend[] {new Mend("Print it with borders", new Change.Edged(Edge.BORDERED))};
        }
        return facts.feedFor(d, d.stock()).map(f -> new Mend("Use " + Keywords.feed(f), new Change.Set(DriverSettings.FEED, f))).stream().toArray(Mend[]::new);
    }

    /** Whether the printer takes this length of a roll. */
    private static void offered(DocketSpec d, PreflightFacts facts, Layout layout, List<Finding> found) {
        Range lengths = facts.media(d).orElseThrow().lengthMm();
        double length = layout.pages().get(0).fedHeightMm();
        if (!lengths.holds(length)) {
            found.add(Finding.stop(Stage.SIZE, "length-out-of-range", "A length of " + Length.mm(length) + " mm can't be printed there.",
                "The printer takes " + Length.mm(lengths.from()) + " to " + Length.mm(lengths.to()) + " mm."));
        }
    }
}
