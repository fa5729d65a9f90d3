package wistel.core.docket.findings;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import wistel.core.docket.changes.TileCommand;
import wistel.core.docket.costs.Costs;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.paper.Stock;
import wistel.core.sheet.Layout;
import wistel.core.sheet.LayoutInput;
import wistel.core.sheet.Page;
import wistel.core.sheet.SheetJoint;
import wistel.core.sheet.Tiled;
import wistel.core.sheet.TiledPiece;

/** What a picture over several sheets takes on each stock that there is, both ways round, the fewest sheets first. */
public final class Tilings {
    private Tilings() {
    }

    /**
     * @param name      of the stock, for people
     * @param across    the way the paper feeds lies left to right
     * @param cuts      to be made before it can be joined, those round the finished picture not counted
     * @param paperMm2  that it takes
     * @param bareShare of the paper that the finished picture doesn't cover, 0 to 1
     * @param seconds   of printing; 0 where that isn't known
     * @param lies      words for the feed that it lies in; empty where it doesn't
     * @param chosen    what chooses it
     */
    public record Tiling(Stock stock, String name, boolean across, int columns, int rows, int cuts, double paperMm2, double bareShare,
        double seconds,
        Optional<String> lies, TileCommand.SheetsChosen chosen) {
        public int sheets() {
            return columns * rows;
        }

        String words() {
            return sheets() + (stock instanceof Stock.Sheet ? " sheets of " : " lengths of ") + stock.name();
        }
    }

    /** @throws wistel.core.fault.InvalidRequest when the docket has another plan */
    public static List<Tiling> of(DocketSpec d, PreflightFacts facts) {
        Tiled plan = d.tiled().plan();
        Map<String, Stock> stocks = new LinkedHashMap<>();
        stocks.put(d.stock().name(), d.stock());
        facts.stocks(d).forEach(s -> stocks.putIfAbsent(s.name(), s));
        List<Tiling> tilings = new ArrayList<>();
        for (Stock stock : stocks.values()) {
            Optional<String> feed = facts.feedFor(d, stock);
            for (boolean across : new boolean[] {false, true}) {
                TileCommand.SheetsChosen chosen = new TileCommand.SheetsChosen(stock, across, feed);
                tiling(chosen.on(d), plan.lying(across), facts, chosen).ifPresent(tilings::add);
            }
        }
        tilings.sort(Comparator.comparingInt(Tiling::sheets).thenComparingDouble(Tiling::paperMm2)
            .thenComparing(t -> t.stock().name()).thenComparing(Tiling::across));
        return tilings;
    }

    private static Optional<Tiling> tiling(DocketSpec d, Tiled plan, PreflightFacts facts, TileCommand.SheetsChosen chosen) {
        LayoutInput in = facts.input(d);
        Optional<TiledPiece.Axes> axes = new TiledPiece(d.item(plan.itemId()), plan).axes(in);
        if (axes.isEmpty()) {
            return Optional.empty();
        }
        Layout layout = plan.lay(in);
        int columns = axes.get().columns().count();
        int rows = axes.get().rows().count();
        double paper = layout.pages().stream().mapToDouble(Page::areaMm2).sum();
        double finished = axes.get().columns().wholeMm() * axes.get().rows().wholeMm();
        int joints = (columns - 1) * rows + (rows - 1) * columns;
        int cuts = plan.joint().way() == SheetJoint.Way.GLUED ? joints : 2 * joints;
        return Optional.of(new Tiling(chosen.stock(), chosen.stock().name(), chosen.across(), columns, rows, cuts, paper,
            Math.max(0, 1 - finished / paper),
            Costs.seconds(d, facts, layout),
            facts.loaded(d, chosen.stock()) ? Optional.of(facts.described().feed(d.settings().feed())) : Optional.empty(), chosen));
    }
}
