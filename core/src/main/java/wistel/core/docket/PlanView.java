package wistel.core.docket;

import java.util.ArrayList;
import java.util.List;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.sheet.Chart;
import wistel.core.sheet.Gang;
import wistel.core.sheet.Layout;
import wistel.core.sheet.LayoutInput;
import wistel.core.sheet.Page;
import wistel.core.sheet.Placed;
import wistel.core.sheet.Ruler;
import wistel.core.sheet.SeamAxis;
import wistel.core.sheet.Seams;
import wistel.core.sheet.SheetPlan;
import wistel.core.sheet.Single;
import wistel.core.sheet.Strip;
import wistel.core.sheet.Tiled;
import wistel.core.sheet.TiledPiece;
import wistel.core.sheet.Variation;
import wistel.core.sheet.Wrap;

/** What follows from each plan beside its layout. */
public sealed interface PlanView {
    /** Nothing more. */
    record OnSheet() implements PlanView {
    }

    /**
     * @param lines          of each print
     * @param foldMm         what one fold takes
     * @param sideMm         from the face's edge to the back
     * @param neededWidthMm  of the paper as it feeds, and its length
     * @param pictureShaped  the faces crop nothing of the picture
     */
    record Wrapped(List<Wrap.Lines> lines, double foldMm, double sideMm, double neededWidthMm, double neededLengthMm,
        boolean pictureShaped) implements PlanView {
    }

    /**
     * @param prints         that lie on all pages
     * @param bareShare      of the paper, 0 to 1
     * @param leastBareShare that no arrangement goes below, as far as a bound tells
     * @param joined         ids of what straight cuts don't part from its neighbours, by page
     */
    record Ganged(int prints, double bareShare, double leastBareShare, List<List<String>> joined) implements PlanView {
    }

    /**
     * @param movedMm of the joint that lies farthest from where it would lie evenly
     */
    record Parted(int columns, int rows, List<Seam> seams, double movedMm) implements PlanView {
        /**
         * A joint, and how far it can be moved while the others stay.
         *
         * @param betweenColumns else between rows
         * @param index          counted from 0
         * @param atMm           from the picture's left, or from above
         */
        public record Seam(boolean betweenColumns, int index, double atMm, double lowMm, double highMm) {
        }

        private static Parted of(TiledPiece.Axes axes, Seams seams) {
            List<Seam> all = new ArrayList<>();
            double moved = Math.max(add(all, true, axes.columns(), seams.columnsMm()), add(all, false, axes.rows(), seams.rowsMm()));
            return new Parted(axes.columns().count(), axes.rows().count(), all, moved);
        }

        private static double add(List<Seam> all, boolean betweenColumns, SeamAxis axis, List<Double> seams) {
            double moved = 0;
            for (int i = 0; i < seams.size(); i++) {
                double[] range = axis.range(seams, i);
                all.add(new Seam(betweenColumns, i, seams.get(i), range[0], range[1]));
                moved = Math.max(moved, Math.abs(seams.get(i) - axis.even().get(i)));
            }
            return moved;
        }
    }

    /**
     * A test strip.
     *
     * @param largestMm how wide its pieces may be, so that a page holds them
     * @param pieces    of each page, in the order in which they lie there
     */
    record Stripped(double largestMm, List<StripPiece> pieces) implements PlanView {
        /** @param asItIs the picture as it stands */
        public record StripPiece(String placedId, int page, String words, boolean asItIs) {
        }
    }

    /** Shown on the tone bench, or on its paper's page. */
    record Charted() implements PlanView {
    }

    static PlanView of(DocketSpec d, PreflightFacts facts, Layout layout) {
        return d.plan().accept(new SheetPlan.Visitor<>() {
            @Override
            public PlanView single(Single plan) {
                return new OnSheet();
            }

            @Override
            public PlanView gang(Gang plan) {
                LayoutInput in = facts.input(d);
                double paper = layout.pages().stream().mapToDouble(Page::areaMm2).sum();
                return new Ganged(layout.placed().size(), layout.bareMm2() / paper, plan.leastBareShare(in, layout),
                    plan.joined(in, layout));
            }

            @Override
            public PlanView tiled(Tiled plan) {
                LayoutInput in = facts.input(d);
                return new TiledPiece(d.item(plan.itemId()), plan).axes(in)
                    .map(axes -> (PlanView) Parted.of(axes, axes.suited(plan.seams()))).orElseGet(OnSheet::new);
            }

            @Override
            public PlanView wrap(Wrap w) {
                return new Wrapped(w.lines(layout), w.body().foldMm(), w.body().sideMm(), w.neededWidthMm(), w.neededLengthMm(),
                    d.wrap().pictureShaped(facts.pictures().get(d.wrap().item().renditionId()).size()));
            }

            @Override
            public PlanView strip(Strip plan) {
                List<Stripped.StripPiece> pieces = new ArrayList<>();
                for (int page = 1; page <= layout.pages().size(); page++) {
                    for (Placed placed : layout.pages().get(page - 1).placed()) {
                        Variation variation = placed.variation().orElseThrow();
                        pieces.add(new Stripped.StripPiece(placed.id(), page, variation.words(), variation.deltas().isEmpty()));
                    }
                }
                return new Stripped(plan.largestMm(facts.input(d)), pieces);
            }

            @Override
            public PlanView chart(Chart plan) {
                return new Charted();
            }

            @Override
            public PlanView ruler(Ruler plan) {
                return new Charted();
            }
        });
    }
}
