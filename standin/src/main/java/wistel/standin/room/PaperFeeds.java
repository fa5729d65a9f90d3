package wistel.standin.room;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Properties;
import wistel.core.paper.SheetSize;
import wistel.standin.ink.Paper;

/** What lies in each feed of a printer. Not safe for several threads: its printer's lock guards it. */
final class PaperFeeds {
    private static final double NEW_ROLL_MM = 15_000;
    private static final int NEW_STACK = 20;

    private final Map<String, Loaded> feeds = new LinkedHashMap<>();

    /** As a printer of this model is delivered. */
    PaperFeeds(MachineModel model) {
        boolean small = model == MachineModel.ARDLE_17;
        for (String feed : model.feeds()) {
            feeds.put(feed, switch (feed) {
                case Feeds.REAR -> new Loaded(SheetSize.A4, Paper.SKERRY_BARYTA, NEW_STACK);
                case Feeds.FRONT -> new Loaded(small ? SheetSize.A4 : SheetSize.named("A2").orElseThrow(), Paper.MOSS_COTTON, 5);
                default -> Loaded.roll(small ? 17 * 25.4 : 24 * 25.4, small ? 9_400 : 22_000, Paper.CORRIE_LUSTRE);
            });
        }
    }

    /** @throws RuntimeException when what was kept can't be read; some feeds may have been taken up by then */
    void read(Properties p) {
        feeds.replaceAll((feed, now) -> {
            String[] kept = p.getProperty("feed." + feed, "").split(";");
            if (kept.length < 4) {
                return now;
            }
            Paper paper = Paper.valueOf(kept[0]);
            double w = Double.parseDouble(kept[1]);
            double h = Double.parseDouble(kept[2]);
            int there = Integer.parseInt(kept[3]);
            return feed.equals(Feeds.ROLL) ? Loaded.roll(w, h, paper, there) : new Loaded(Feeds.size(w, h), paper, there);
        });
    }

    void write(Properties p) {
        feeds.forEach((feed, l) -> p.setProperty("feed." + feed,
            l.paper() + ";" + l.size().widthMm() + ";" + l.size().heightMm() + ";" + l.sheets()));
    }

    Loaded get(String feed) {
        return feeds.get(feed);
    }

    Map<String, Loaded> all() {
        return new LinkedHashMap<>(feeds);
    }

    void load(String feed, SheetSize size, Paper paper, int sheets) {
        feeds.put(feed, feed.equals(Feeds.ROLL) ? Loaded.roll(size.widthMm(), NEW_ROLL_MM, paper) : new Loaded(size, paper, sheets));
    }

    /** A new stack or roll. */
    void load(String feed, SheetSize size, Paper paper) {
        load(feed, size, paper, NEW_STACK);
    }

    void empty(String feed) {
        Loaded now = feeds.get(feed);
        feeds.put(feed, new Loaded(now.size(), now.paper(), 0));
    }

    /** A page's paper, taken off; nothing when other paper lies there, of which {@code wanted} may be left open. */
    Optional<Loaded> take(String feed, SheetSize asked, Optional<Paper> wanted) {
        Loaded now = feeds.get(feed);
        if (!now.holds(feed, asked.widthMm(), asked.heightMm())
            || wanted.filter(w -> !w.mediaType().equals(now.paper().mediaType())).isPresent()) {
            return Optional.empty();
        }
        feeds.put(feed, now.less(feed, asked.heightMm()));
        return Optional.of(now);
    }
}
