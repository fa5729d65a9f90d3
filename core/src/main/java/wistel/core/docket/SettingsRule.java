package wistel.core.docket;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import wistel.core.docket.Finding.Mend;
import wistel.core.paper.PairingVersion;
import wistel.core.printer.DriverSettings;
import wistel.core.printer.Keywords;
import wistel.core.printer.PrinterDescription;
import wistel.core.sheet.Layout;

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
                + Keywords.feed(now.feed()) + ".", "The sheet can't be printed there."));
        }
        if (now.quality() != made.quality()) {
            found.add(Finding.look(Stage.MACHINE, "quality-differs", "The profile was made at " + Keywords.quality(made.quality()) + " quality, this is set to "
                + Keywords.quality(now.quality()) + ".", "Colours shift a little, mostly in the shadows.",
                new Mend("Set " + Keywords.quality(made.quality()), new Change.Set(DriverSettings.QUALITY, Integer.toString(made.quality())))));
        }
        return found.stream();
    }
}
