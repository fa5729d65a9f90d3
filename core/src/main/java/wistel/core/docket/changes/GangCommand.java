package wistel.core.docket.changes;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.fault.InvalidRequest;
import wistel.core.length.Length;
import wistel.core.rendition.Rendition;
import wistel.core.sheet.Annotation;
import wistel.core.sheet.Arrangement;
import wistel.core.sheet.Frame;
import wistel.core.sheet.Gang;
import wistel.core.sheet.Item;
import wistel.core.sheet.Plans;
import wistel.core.sheet.Single;

/** What a person decides of several pictures together. Places that an arrangement finds are found when the change is made. */
public sealed interface GangCommand extends Command {
    /** The docket's picture becomes the first of several. */
    record Gathered(Arrangement arrangement) implements GangCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            DocketSpec flat = new SheetCommand.OnOneSheet().on(d);
            Single single = flat.single().plan();
            Item item = flat.item(single.itemId());
            return flat.withItem(item.title().isBlank() ? item.titled(d.title()) : item)
                .withPlan(new Gang(single.across(), arrangement, List.of(single.itemId()), List.of()));
        }

        @Override
        public String words() {
            return "together";
        }
    }

    /** One of them alone on its sheet; the others leave the docket. */
    record PickedOut(String itemId) implements GangCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            Gang gang = gang(d, itemId);
            Item item = d.item(itemId).repeated(1);
            return d.withPictures(List.of(d.rendition(item.renditionId())), List.of(item), Single.of(itemId, gang.across()));
        }

        @Override
        public String words() {
            return "one picture on the sheet";
        }
    }

    record Arranged(Arrangement arrangement) implements GangCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withPlan(gang(d).arranged(arrangement));
        }

        @Override
        public String words() {
            return switch (arrangement.way()) {
                case TIGHTEST -> "laid as tightly as can be";
                case CUT_ACROSS -> "laid to be cut right across";
                case ROWS -> arrangement.rows().aPage() == 0 ? "laid in rows"
                    : "laid in rows, about " + arrangement.rows().aPage() + " a page";
                case BY_HAND -> "laid by hand";
            } + ", gutter " + Length.mm(arrangement.gutterMm()) + " mm";
        }
    }

    /** Pieces leave the docket, and pictures of which none is left. */
    record TakenOff(List<String> itemIds) implements GangCommand {
        public TakenOff {
            itemIds = List.copyOf(itemIds);
        }

        @Override
        public DocketSpec on(DocketSpec d) {
            Gang gang = gang(d);
            Set<String> gone = new HashSet<>(itemIds);
            itemIds.forEach(id -> gang(d, id));
            List<Item> items = d.items().stream().filter(i -> !gone.contains(i.id())).toList();
            if (items.isEmpty()) {
                throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "A docket keeps at least one picture.",
                    "Put the docket away instead.");
            }
            Set<String> shown = items.stream().map(Item::renditionId).collect(Collectors.toSet());
            List<Rendition> renditions = d.renditions().stream().filter(r -> shown.contains(r.id())).toList();
            return d.withPictures(renditions, items, gang.of(gang.pieces().stream().filter(id -> !gone.contains(id)).toList()));
        }

        @Override
        public String words() {
            return itemIds.size() == 1 ? "a piece taken off" : itemIds.size() + " pieces taken off";
        }
    }

    record Repeated(String itemId, int copies) implements GangCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            return each(d, List.of(itemId), item -> item.repeated(copies));
        }

        @Override
        public String words() {
            return copies == 1 ? "a piece once" : "a piece " + copies + " times";
        }
    }

    record MayTurn(List<String> itemIds, boolean mayTurn) implements GangCommand {
        public MayTurn {
            itemIds = List.copyOf(itemIds);
        }

        @Override
        public DocketSpec on(DocketSpec d) {
            return each(d, itemIds, item -> item.framed(item.frame().turning(mayTurn)));
        }

        @Override
        public String words() {
            return mayTurn ? "may be turned" : "stays upright";
        }
    }

    /** What is written and drawn round several pieces. */
    record AllAnnotated(List<String> itemIds, Annotation annotation) implements GangCommand {
        public AllAnnotated {
            itemIds = List.copyOf(itemIds);
        }

        @Override
        public DocketSpec on(DocketSpec d) {
            return each(d, itemIds, item -> item.annotated(annotation));
        }

        @Override
        public String words() {
            return "what is written and drawn round " + (itemIds.size() == 1 ? "a picture" : itemIds.size() + " pictures");
        }
    }

    /** All of each picture, or its frame full of it. */
    record AllFitted(List<String> itemIds, Frame.Fit fit) implements GangCommand {
        public AllFitted {
            itemIds = List.copyOf(itemIds);
        }

        @Override
        public DocketSpec on(DocketSpec d) {
            return each(d, itemIds, item -> item.framed(item.frame().fitted(fit)));
        }

        @Override
        public String words() {
            return fit == Frame.Fit.FILL ? "frames filled" : "all of each picture";
        }
    }

    /** Each of several pieces so often. */
    record AllRepeated(List<String> itemIds, int copies) implements GangCommand {
        public AllRepeated {
            itemIds = List.copyOf(itemIds);
        }

        @Override
        public DocketSpec on(DocketSpec d) {
            return each(d, itemIds, item -> item.repeated(copies));
        }

        @Override
        public String words() {
            return copies == 1 ? "pieces once each" : "pieces " + copies + " times each";
        }
    }

    /**
     * A print put somewhere by hand: the others stay where they lie.
     *
     * @param print index among the prints as they lie
     */
    record Moved(int print, Gang.Spot to) implements GangCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            Gang gang = gang(d);
            if (print < 0 || print >= gang.spots().size() || !gang.spots().get(print).itemId().equals(to.itemId())) {
                throw new InvalidRequest(InvalidRequest.Reason.ITEM_UNKNOWN, "This print doesn't lie here any more.",
                    "Look at the docket as it is now.");
            }
            List<Gang.Spot> spots = new ArrayList<>(gang.spots());
            spots.set(print, to);
            return d.withPlan(gang.arranged(gang.arrangement().by(Arrangement.Way.BY_HAND)).laid(spots));
        }

        @Override
        public String words() {
            return "a piece moved" + (to.page() > 1 ? " to page " + to.page() : "");
        }
    }

    /** The order in which rows take them. */
    record Reordered(List<String> itemIds) implements GangCommand {
        public Reordered {
            itemIds = List.copyOf(itemIds);
        }

        @Override
        public DocketSpec on(DocketSpec d) {
            Gang gang = gang(d);
            if (!Set.copyOf(gang.pieces()).equals(new HashSet<>(itemIds))) {
                throw new InvalidRequest(InvalidRequest.Reason.ITEM_UNKNOWN, "An order names each piece of the docket.",
                    "Look at the docket as it is now.");
            }
            return d.withPlan(gang.of(itemIds));
        }

        @Override
        public String words() {
            return "another order";
        }
    }

    /** @throws InvalidRequest when the docket has another plan */
    static Gang gang(DocketSpec d) {
        return Plans.gang(d.plan()).orElseThrow(() -> new InvalidRequest(InvalidRequest.Reason.PLAN_DIFFERS,
            "This docket doesn't print several pictures together.", "Choose together at the size station first."));
    }

    /** Some of its pieces changed. */
    private static DocketSpec each(DocketSpec d, List<String> itemIds, UnaryOperator<Item> change) {
        itemIds.forEach(id -> gang(d, id));
        return d.withChanged(itemIds.stream().map(d::item).map(change).toList());
    }

    private static Gang gang(DocketSpec d, String itemId) {
        Gang gang = gang(d);
        if (!gang.pieces().contains(itemId)) {
            throw new InvalidRequest(InvalidRequest.Reason.ITEM_UNKNOWN, "This piece is not on the docket.",
                "Look at the docket as it is now.");
        }
        return gang;
    }
}
