package wistel.core.sheet;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wistel.core.length.Margins;
import wistel.core.paper.Stock;
import wistel.core.pictures.Crop;
import wistel.core.pictures.DetailMap;
import wistel.core.pictures.Orientation;
import wistel.core.sheet.SheetPlan.PixelSize;

/** A piece with the plan that lays it over several sheets. */
public record TiledPiece(Item item, Tiled plan) {
    /** Roll before and behind each length, to hold it by. */
    private static final double ROLL_END_MM = 15;
    /** A sheet that prints less beside what its neighbours print is none. */
    private static final double LEAST_MM = 10;

    /** @throws IllegalArgumentException when the plan lays another piece */
    public TiledPiece {
        if (!plan.itemId().equals(item.id())) {
            throw new IllegalArgumentException("plan of " + plan.itemId() + ", piece " + item.id());
        }
    }

    /** The sheets side by side, and one above the other. */
    public record Axes(SeamAxis columns, SeamAxis rows) {
        public int sheets() {
            return columns.count() * rows.count();
        }

        /** As they lie: the plan's where the sheets can be parted so, else the even ones. */
        public Seams suited(Seams wanted) {
            return new Seams(wanted.choice(), columns.suited(wanted.columnsMm()), rows.suited(wanted.rowsMm()));
        }
    }

    /** What of a page can be printed on, as it is looked at. */
    private record Room(double left, double top, double width, double height) {
    }

    private Room room(LayoutInput in) {
        Margins m = plan.across() ? in.feedMargins().across() : in.feedMargins();
        boolean roll = !(in.stock() instanceof Stock.Sheet);
        double lead = Math.max(ROLL_END_MM, Math.max(in.feedMargins().top(), in.feedMargins().bottom()));
        double length = in.stock() instanceof Stock.Sheet s ? s.lengthMm() : Stock.LONGEST_MM;
        double width = in.stock().widthMm();
        return plan.across()
            ? new Room(roll ? lead : m.left(), m.top(), length - (roll ? 2 * lead : m.left() + m.right()), width - m.top() - m.bottom())
            : new Room(m.left(), roll ? lead : m.top(), width - m.left() - m.right(), length - (roll ? 2 * lead : m.top() + m.bottom()));
    }

    /** Empty where this paper can't be joined so, or it would take too many sheets. */
    public Optional<Axes> axes(LayoutInput in) {
        Room room = room(in);
        double common = plan.joint().commonMm();
        if (!(Math.min(room.width, room.height) >= common + LEAST_MM)) {
            return Optional.empty();
        }
        double[] size = item.size(in.picture(item));
        Axes axes = new Axes(SeamAxis.of(size[0], room.width, common), SeamAxis.of(size[1], room.height, common));
        return Optional.of(axes).filter(a -> (long) a.columns.count() * a.rows.count() <= Tiled.MOST_SHEETS);
    }

    /** With the joints where its choice puts them; what a person put somewhere stays there where the sheets allow it. */
    public Tiled found(LayoutInput in) {
        Optional<Axes> axes = axes(in);
        if (axes.isEmpty()) {
            return plan;
        }
        SeamAxis columns = axes.get().columns;
        SeamAxis rows = axes.get().rows;
        Seams found = switch (plan.seams().choice()) {
            case EVEN -> new Seams(Seams.Choice.EVEN, columns.even(), rows.even());
            case BY_HAND -> {
                Seams suited = axes.get().suited(plan.seams());
                yield suited.equals(plan.seams()) ? suited : new Seams(Seams.Choice.EVEN, suited.columnsMm(), suited.rowsMm());
            }
            case QUIET -> {
                Optional<DetailMap> detail = Optional.ofNullable(in.details().get(item.renditionId()));
                if (detail.isEmpty()) {
                    yield new Seams(Seams.Choice.QUIET, columns.even(), rows.even());
                }
                PixelSize picture = in.picture(item);
                double[] size = item.size(picture);
                SeamContrast contrast = SeamContrast.of(detail.get(), picture, item.shown(picture, size[0], size[1]), size);
                yield new Seams(Seams.Choice.QUIET, columns.cheapest(contrast::betweenColumns), rows.cheapest(contrast::betweenRows));
            }
        };
        return plan.parted(found);
    }

    /** With one joint put somewhere by hand, or as near to it as the sheets allow; the others stay. */
    public Tiled moved(LayoutInput in, boolean betweenColumns, int seam, double toMm) {
        Axes axes = axes(in).orElseThrow(() -> new IllegalArgumentException("there are no joints"));
        Seams now = axes.suited(plan.seams());
        List<Double> columns = betweenColumns ? axes.columns.moved(now.columnsMm(), seam, toMm) : now.columnsMm();
        List<Double> rows = betweenColumns ? now.rowsMm() : axes.rows.moved(now.rowsMm(), seam, toMm);
        return plan.parted(new Seams(Seams.Choice.BY_HAND, columns, rows));
    }

    /** For somebody who has paper large enough: the finished picture alone. */
    public Layout inOnePiece(LayoutInput in) {
        PixelSize picture = in.picture(item);
        double[] size = item.size(picture);
        Placed whole = Placed.of(item, item.shown(picture, size[0], size[1]), new Rect(0, 0, size[0], size[1]));
        return Layout.of(List.of(Page.of(size[0], size[1], Margins.NONE, Orientation.UPRIGHT, List.of(whole), List.of())), List.of());
    }

    Layout lay(LayoutInput in) {
        Margins margins = plan.across() ? in.feedMargins().across() : in.feedMargins();
        Orientation feed = plan.across() ? Orientation.QUARTER_RIGHT : Orientation.UPRIGHT;
        Optional<Axes> axes = axes(in);
        if (axes.isEmpty()) {
            double length = in.stock() instanceof Stock.Sheet s ? s.lengthMm() : in.stock().widthMm();
            double width = in.stock().widthMm();
            Page bare = Page.of(plan.across() ? length : width, plan.across() ? width : length, margins, feed, List.of(), List.of());
            return Layout.without(new Layout.Unplaced(item.id(), reason(in)), bare);
        }
        PixelSize picture = in.picture(item);
        double[] size = item.size(picture);
        Crop shown = item.shown(picture, size[0], size[1]);
        Seams seams = axes.get().suited(plan.seams());
        Room room = room(in);
        List<Page> pages = new ArrayList<>();
        for (int row = 0; row < axes.get().rows.count(); row++) {
            for (int column = 0; column < axes.get().columns.count(); column++) {
                double left = axes.get().columns.fromMm(seams.columnsMm(), column);
                double top = axes.get().rows.fromMm(seams.rowsMm(), row);
                Rect part = new Rect(left, top, axes.get().columns.toMm(seams.columnsMm(), column) - left,
                    axes.get().rows.toMm(seams.rowsMm(), row) - top);
                Lain lain = lain(in.stock(), room, part);
                Placed whole = Placed.of(item, shown, new Rect(lain.x - left, lain.y - top, size[0], size[1]));
                double reach = plan.joint().reachMm();
                double fromLeft = column == 0 ? 0 : reach;
                double fromTop = row == 0 ? 0 : reach;
                Rect seen = new Rect(lain.x + fromLeft, lain.y + fromTop,
                    part.width() - fromLeft - (column == axes.get().columns.count() - 1 ? 0 : reach),
                    part.height() - fromTop - (row == axes.get().rows.count() - 1 ? 0 : reach));
                Placed placed = whole.tile(new Rect(lain.x, lain.y, part.width(), part.height()), seen);
                Placed named = axes.get().sheets() == 1 ? placed : placed.part(row * axes.get().columns.count() + column + 1);
                Page bare = Page.of(lain.width, lain.height, margins, feed, List.of(named), List.of());
                List<Mark> marks = new ArrayList<>(new TileMarks(plan, new TileMarks.Sheet(axes.get(), column, row), bare)
                    .of(in.caption(item).title()));
                item.annotation().laid(false)
                    .ifPresent(m -> marks.add(0, m.stamp(m.at(named.untiled().atMm()), named.atMm())));
                pages.add(bare.marked(marks));
            }
        }
        return Layout.of(pages, Layout.Loss.of(item,
            1 - shown.width() * shown.height() / ((double) picture.width() * picture.height())));
    }

    /** A page's size, and where the part lies on it: in the middle of a sheet, in the middle of a roll's width. */
    private record Lain(double width, double height, double x, double y) {
    }

    private Lain lain(Stock stock, Room room, Rect part) {
        double x = room.left + (room.width - part.width()) / 2;
        double y = room.top + (room.height - part.height()) / 2;
        if (stock instanceof Stock.Sheet s) {
            return plan.across() ? new Lain(s.lengthMm(), s.widthMm(), x, y) : new Lain(s.widthMm(), s.lengthMm(), x, y);
        }
        return plan.across() ? new Lain(part.width() + 2 * room.left, stock.widthMm(), room.left, y)
            : new Lain(stock.widthMm(), part.height() + 2 * room.top, x, room.top);
    }

    private Layout.Unplaced.Reason reason(LayoutInput in) {
        Room room = room(in);
        return Math.min(room.width, room.height) >= plan.joint().commonMm() + LEAST_MM ? Layout.Unplaced.Reason.TOO_MANY_SHEETS
            : Layout.Unplaced.Reason.NOTHING_BESIDE_OVERLAP;
    }
}
