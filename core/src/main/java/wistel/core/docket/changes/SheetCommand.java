package wistel.core.docket.changes;

import java.util.Optional;
import wistel.core.sheet.Wrap;
import wistel.core.sheet.Tiled;
import wistel.core.sheet.Single;
import wistel.core.sheet.SheetPlan;
import wistel.core.sheet.Gang;
import wistel.core.sheet.Chart;
import wistel.core.fault.InvalidRequest;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.length.Length;
import wistel.core.paper.Stock;
import wistel.core.printer.DriverSettings;
import wistel.core.sheet.Borders;
import wistel.core.sheet.Edge;
import wistel.core.sheet.Frame;
import wistel.core.sheet.Rect;
import wistel.core.sheet.Ruler;
import wistel.core.sheet.SinglePiece;
import wistel.core.sheet.Strip;

/** What a person decides of the sheet: which one, and how one picture lies on it. */
public sealed interface SheetCommand extends Command {
    /** @param feed that takes it, where the present one doesn't */
    record Stocked(Stock stock, Optional<String> feed) implements SheetCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            DocketSpec stocked = d.withPlan(d.plan().onStock(stock)).withStock(stock);
            return feed.map(f -> stocked.withSettings(d.settings().with(DriverSettings.FEED, f))).orElse(stocked);
        }

        @Override
        public String words() {
            return stock instanceof Stock.Sheet ? "sheet " + stock.name() : stock.name();
        }
    }

    /** A control strip along an edge, or none. */
    record Checked(boolean checked) implements SheetCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withCheck(checked);
        }

        @Override
        public String words() {
            return checked ? "a control strip" : "no control strip";
        }
    }

    /** One picture on one sheet, whatever it was before; of several the first, as large as it is. */
    record OnOneSheet() implements SheetCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.plan().accept(new SheetPlan.Visitor<>() {
                @Override
                public DocketSpec single(Single plan) {
                    return d;
                }

                @Override
                public DocketSpec gang(Gang plan) {
                    return new GangCommand.PickedOut(plan.pieces().get(0)).on(d);
                }

                @Override
                public DocketSpec tiled(Tiled plan) {
                    return d.with(new SinglePiece(d.item(plan.itemId()), Single.of(plan.itemId(), plan.across())));
                }

                @Override
                public DocketSpec wrap(Wrap plan) {
                    return d.with(d.wrap().unwrapped());
                }

                @Override
                public DocketSpec strip(Strip plan) {
                    throw asItIs("A test strip stays one.");
                }

                @Override
                public DocketSpec chart(Chart plan) {
                    throw asItIs("A chart is printed as it is.");
                }

                @Override
                public DocketSpec ruler(Ruler plan) {
                    throw asItIs("Ruled lines are printed as they are.");
                }

                private InvalidRequest asItIs(String what) {
                    return new InvalidRequest(InvalidRequest.Reason.PLAN_DIFFERS, what, "Open a docket of its own for the picture.");
                }
            });
        }

        @Override
        public String words() {
            return "one picture on the sheet";
        }
    }

    record Turned() implements SheetCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withPlan(d.plan().turned());
        }

        @Override
        public String words() {
            return "sheet turned";
        }
    }

    /** Laid there by hand: its borders are what is left of the paper. On a roll both ends get the leading border. */
    record Laid(Rect at) implements SheetCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.with(d.single().laid(at, d.stock()));
        }

        @Override
        public String words() {
            return "picture " + Length.mm(at.width()) + " × " + Length.mm(at.height()) + " mm, " + Length.mm(at.x()) + " from the left, "
                + Length.mm(at.y()) + " from above";
        }
    }

    record Edged(Edge edge) implements SheetCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            SinglePiece piece = d.single();
            SinglePiece edged = new SinglePiece(piece.item(), piece.plan().edged(edge));
            // printed to the edge, white is not what is meant
            return d.with(edge.borderless() && !piece.plan().edge().borderless() ? edged.fitted(Frame.Fit.FILL) : edged);
        }

        @Override
        public String words() {
            String bleed = edge.bleedMm() > 0 ? "mirrored bleed of " + Length.mm(edge.bleedMm()) + " mm" : "";
            return !edge.borderless() ? bleed.isEmpty() ? "with borders" : bleed : bleed.isEmpty() ? "borderless" : "borderless, " + bleed;
        }
    }

    record Bordered(Borders borders) implements SheetCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withPlan(d.single().plan().bordered(borders));
        }

        @Override
        public String words() {
            if (borders instanceof Borders.Sides s) {
                return "borders of " + Length.mm(s.top()) + ", " + Length.mm(s.right()) + ", " + Length.mm(s.bottom()) + " and "
                    + Length.mm(s.left()) + " mm";
            }
            return borders instanceof Borders.HeavierFoot ? "heavier foot" : "even borders";
        }
    }
}
