package wistel.core.docket.changes;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.fault.InvalidRequest;
import wistel.core.pairing.PairingVersion;
import wistel.core.paper.Stock;
import wistel.core.pictures.SameContent;
import wistel.core.pictures.SideFill;
import wistel.core.printer.DriverSettings;
import wistel.core.rendition.Compensated;
import wistel.core.rendition.Rendition;
import wistel.core.sheet.Arrangement;
import wistel.core.sheet.SheetPlan;
import wistel.core.sheet.Gang;
import wistel.core.sheet.Item;
import wistel.core.sheet.LayoutInput;
import wistel.core.sheet.Plans;
import wistel.core.sheet.Tiled;

/** One change of a docket: what a person did, and what undo says it takes back. {@link Command} is what may come from outside. */
public sealed interface Change permits Command, StripChange, Change.Charted, Change.Paired, Change.PairedWith, Change.Added, Change.Each,
    Change.Placing, Change.Newer {
    /** @throws InvalidRequest when it can't be done to this docket */
    DocketSpec on(DocketSpec d);

    /** Short, as it stands behind "Undo:" and "Redo:". */
    String words();

    /** A docket after several changes, one after the other. */
    static DocketSpec inTurn(DocketSpec d, List<? extends Change> changes) {
        DocketSpec next = d;
        for (Change change : changes) {
            next = change.on(next);
        }
        return next;
    }

    /** Laid out as a chart to be measured or judged, on a stock that this feed takes. */
    record Charted(SheetPlan plan, Stock stock, String feed) implements Change {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withPlan(plan).withStock(stock).withSettings(d.settings().with(DriverSettings.FEED, feed));
        }

        @Override
        public String words() {
            return "laid out as a chart";
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
                : paired.withRenditions(
                    paired.renditions().stream().map(r -> r.compensation().moves().isEmpty() ? r.compensated(usual.get()) : r).toList());
        }

        @Override
        public String words() {
            return "paper " + pairing.paper();
        }
    }

    /**
     * A pairing was chosen, and what had to change along with it.
     *
     * @param along may be empty
     */
    record PairedWith(Paired paired, List<Command> along) implements Change {
        public PairedWith {
            along = List.copyOf(along);
        }

        @Override
        public DocketSpec on(DocketSpec d) {
            return inTurn(paired.on(d), along);
        }

        @Override
        public String words() {
            return Stream.concat(Stream.of(paired.words()), along.stream().map(Command::words)).collect(Collectors.joining(", "));
        }
    }

    /** More pieces, and their pictures where those are new to the docket; one that printed one picture prints several together. */
    record Added(List<Rendition> renditions, List<Item> items) implements Change {
        public Added {
            renditions = List.copyOf(renditions);
            items = List.copyOf(items);
        }

        @Override
        public DocketSpec on(DocketSpec d) {
            DocketSpec gathered = Plans.gang(d.plan()).isPresent() ? d : new GangCommand.Gathered(Arrangement.USUAL).on(d);
            Gang gang = GangCommand.gang(gathered);
            return d.withPictures(Stream.concat(d.renditions().stream(), renditions.stream()).toList(),
                Stream.concat(gathered.items().stream(), items.stream()).toList(),
                gang.of(Stream.concat(gang.pieces().stream(), items.stream().map(Item::id)).toList()));
        }

        @Override
        public String words() {
            return items.size() == 1 ? "one more piece" : items.size() + " more pieces";
        }
    }

    /**
     * A newer file of one of its pictures: all that was decided stays, over the same content.
     *
     * @param content  where the older file's content lies in the newer one
     * @param sides    of a wrap in one colour, that colour read from the newer file; empty where nothing of it is on the docket
     * @param fileName of the newer file
     */
    record Newer(String renditionId, String masterHash, SameContent content, Optional<SideFill> sides, String fileName) implements Change {
        @Override
        public DocketSpec on(DocketSpec d) {
            Rendition now = d.rendition(renditionId);
            List<Item> items = d.items().stream().map(i -> i.renditionId().equals(renditionId) ? i.in(content) : i).toList();
            SheetPlan plan = sides.flatMap(fill -> Plans.wrap(d.plan()).<SheetPlan>map(w -> w.filled(fill))).orElse(d.plan());
            return d.withRendition(now.of(masterHash).locally(now.local().stream().map(m -> m.in(content)).toList())).withItems(items)
                .withPlan(plan);
        }

        @Override
        public String words() {
            return "a newer file, " + fileName;
        }
    }

    /** Several changes as one. */
    record Each(List<? extends Command> changes, String words) implements Change {
        public Each {
            changes = List.copyOf(changes);
        }

        @Override
        public DocketSpec on(DocketSpec d) {
            return inTurn(d, changes);
        }
    }

    /**
     * A change, and the places that pieces find after it where several are printed together.
     *
     * @param input what a docket would be laid out on
     */
    record Placing(Change asked, Function<DocketSpec, LayoutInput> input) implements Change {
        /** @throws InvalidRequest when a piece was put over another one */
        @Override
        public DocketSpec on(DocketSpec d) {
            DocketSpec next = asked.on(d);
            if (Plans.tiled(next.plan()).isPresent()) {
                return next.withPlan(parted(d, next));
            }
            Optional<Gang> gang = Plans.gang(next.plan());
            if (gang.isEmpty()) {
                return next;
            }
            LayoutInput asSized = input.apply(next);
            List<Item> resized = gang.get().resized(asSized);
            next = next.withChanged(resized);
            LayoutInput in = resized.isEmpty() ? asSized : input.apply(next);
            boolean alike = Plans.gang(d.plan()).filter(before -> before.arrangedAlike(input.apply(d), gang.get(), in)).isPresent();
            Gang placed = alike ? gang.get() : gang.get().placed(in);
            if (asked instanceof GangCommand.Moved moved
                && placed.lay(in).pages().get(moved.to().page() - 1).deepestOverlapMm() > Gang.TOUCHING_MM) {
                throw new InvalidRequest(InvalidRequest.Reason.PIECES_OVERLAP, "Another piece lies there already.",
                    "Lay it where nothing lies, or move the other one first.");
            }
            return next.withPlan(placed);
        }

        /** With its joints where they lie now. */
        private Tiled parted(DocketSpec before, DocketSpec next) {
            return asked instanceof TileCommand.SeamMoved m
                ? before.tiled().moved(input.apply(before), m.betweenColumns(), m.seam(), m.toMm())
                : next.tiled().found(input.apply(next));
        }

        @Override
        public String words() {
            return asked.words();
        }
    }
}
