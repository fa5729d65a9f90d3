package wistel.core.docket.changes;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.fault.InvalidRequest;
import wistel.core.length.Length;
import wistel.core.paper.Stock;
import wistel.core.printer.DriverSettings;
import wistel.core.sheet.Frame;
import wistel.core.sheet.SheetJoint;
import wistel.core.sheet.Plans;
import wistel.core.sheet.Seams;
import wistel.core.sheet.Single;
import wistel.core.sheet.Tiled;

/** What a person decides of a picture over several sheets. Places that joints find are found when the change is made. */
public sealed interface TileCommand extends Command {
    /** The docket's picture goes over several sheets, as large as it is. */
    record OverSheets() implements TileCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            if (Plans.tiled(d.plan()).isPresent()) {
                return d;
            }
            DocketSpec flat = new SheetCommand.OnOneSheet().on(d);
            Single single = flat.single().plan();
            return flat.withPlan(Tiled.of(single.itemId(), single.across()));
        }

        @Override
        public String words() {
            return "over several sheets";
        }
    }

    record SheetsJoined(SheetJoint joint) implements TileCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withPlan(d.tiled().plan().joined(joint));
        }

        @Override
        public String words() {
            return joint.way() == SheetJoint.Way.GLUED ? "overlap of " + Length.mm(joint.overMm()) + " mm, glued"
                : "butted, bleed of " + Length.mm(joint.overMm()) + " mm";
        }
    }

    record SheetsParted(Seams.Choice choice) implements TileCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            Tiled tiled = d.tiled().plan();
            return d.withPlan(
                tiled.parted(choice == Seams.Choice.BY_HAND ? new Seams(choice, tiled.seams().columnsMm(), tiled.seams().rowsMm())
                    : Seams.of(choice)));
        }

        @Override
        public String words() {
            return switch (choice) {
                case EVEN -> "parted evenly";
                case QUIET -> "joints off what the eye follows";
                case BY_HAND -> "joints where they are";
            };
        }
    }

    /**
     * A joint put somewhere by hand, or as near to it as the sheets allow.
     *
     * @param betweenColumns else between rows
     * @param seam           which one, counted from 0
     * @param toMm           from the picture's left, or from above
     */
    record SeamMoved(boolean betweenColumns, int seam, double toMm) implements TileCommand {
        /** @throws InvalidRequest when it lies nowhere in the largest picture */
        public SeamMoved {
            if (!(toMm > 0 && toMm < Frame.LARGEST_MM)) {
                throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "A joint can't lie at " + toMm + " mm.",
                    "Put it somewhere in the picture.");
            }
        }

        @Override
        public DocketSpec on(DocketSpec d) {
            Tiled tiled = d.tiled().plan();
            Seams now = tiled.seams();
            List<Double> moved = new ArrayList<>(betweenColumns ? now.columnsMm() : now.rowsMm());
            if (seam < 0 || seam >= moved.size()) {
                throw new InvalidRequest(InvalidRequest.Reason.ITEM_UNKNOWN, "There is no such joint any more.",
                    "Look at the docket as it is now.");
            }
            moved.set(seam, toMm);
            return d.withPlan(tiled.parted(new Seams(Seams.Choice.BY_HAND, betweenColumns ? moved : now.columnsMm(),
                betweenColumns ? now.rowsMm() : moved)));
        }

        @Override
        public String words() {
            return "a joint moved to " + Length.mm(toMm) + " mm";
        }
    }

    record SheetsMarked(boolean marks, boolean labels) implements TileCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withPlan(d.tiled().plan().marked(marks, labels));
        }

        @Override
        public String words() {
            return (marks ? "marks" : "no marks") + (labels ? ", labels" : ", no labels");
        }
    }

    /** On other sheets, or lying on them the other way. */
    record SheetsChosen(Stock stock, boolean across, Optional<String> feed) implements TileCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            DocketSpec stocked = d.withPlan(d.tiled().plan().lying(across)).withStock(stock);
            return feed.map(f -> stocked.withSettings(d.settings().with(DriverSettings.FEED, f))).orElse(stocked);
        }

        @Override
        public String words() {
            return "over " + (stock instanceof Stock.Sheet ? "sheets of " : "lengths of ") + stock.name()
                + (across ? ", across" : ", upright");
        }
    }
}
