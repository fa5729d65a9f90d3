package wistel.core.icc.transform;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import wistel.core.icc.stage.Chain;
import wistel.core.icc.stage.Curve;
import wistel.core.icc.stage.Stage;

/**
 * Where a grid's nodes lie along its inputs: curves before it. Three kinds are worth a try: none; lightness, where the source counts light;
 * and the curves of the chain's own first table, so that its nodes and the grid's fall together.
 *
 * @param before  a rising curve for each input, from input to place along the axis
 * @param spacing the number of cells whose multiples the grid's cells should be, or 1
 */
record ShaperCurves(List<Curve> before, int spacing, String words) {
    /** How far a curve must bend before it is worth a table. */
    private static final double BEND = 0.15;

    static List<ShaperCurves> candidates(Chain chain, int inputs) {
        List<Curve> none = Collections.nCopies(inputs, Curve.Power.IDENTITY);
        List<ShaperCurves> shapes = new ArrayList<>(List.of(new ShaperCurves(none, 1, "")));
        List<Stage> stages = chain.stages();
        boolean curvesFirst = !stages.isEmpty() && stages.get(0) instanceof Stage.Curves;
        List<Curve> first = curvesFirst ? List.of(((Stage.Curves) stages.get(0)).curves()) : none;
        Stage then = stages.size() > (curvesFirst ? 1 : 0) ? stages.get(curvesFirst ? 1 : 0) : null;
        if (then instanceof Stage.Clut clut && first.stream().allMatch(ShaperCurves::rises)) {
            shapes.add(new ShaperCurves(first, clut.grid().size(0) - 1, " on the table's own nodes"));
        }
        if (then instanceof Stage.Linear && inputs == 3) {
            List<Curve> lightness = first.stream().map(c -> c.then(LIGHTNESS)).toList();
            if (lightness.stream().allMatch(ShaperCurves::rises) && lightness.stream().anyMatch(ShaperCurves::bends)) {
                shapes.add(new ShaperCurves(lightness, 1, " with lightness before"));
            }
        }
        return shapes;
    }

    /** Light (0 to 1) to lightness over 100. */
    private static final Curve LIGHTNESS = lightness();

    private static Curve lightness() {
        // CIE 15:2018, 8.2.1.1 as a parametric curve: cube root above, a line below
        double kappa = 24389.0 / 27;
        return new Curve.Parametric(1 / 3.0, Math.pow(1.16, 3), 0, kappa / 100, 216.0 / 24389, -0.16, 0);
    }

    private static boolean rises(Curve curve) {
        double last = curve.at(0);
        for (int i = 1; i <= 255; i++) {
            double next = curve.at(i / 255.0);
            if (!(next > last)) {
                return false;
            }
            last = next;
        }
        return true;
    }

    private static boolean bends(Curve curve) {
        for (int i = 0; i <= 64; i++) {
            if (Math.abs(curve.at(i / 64.0) - i / 64.0) > BEND) {
                return true;
            }
        }
        return false;
    }

    /** The number of cells nearest to a wanted one, not below it, that suits the spacing and the limit. */
    int cells(int wanted, int most) {
        int cells = (Math.max(1, wanted) + spacing - 1) / spacing * spacing;
        while (cells > most && cells > spacing) {
            cells -= spacing;
        }
        return Math.min(cells, most);
    }

    boolean isStraight() {
        return before.stream().allMatch(Curve::isIdentity);
    }

    /** The input that lies at a place along an axis. */
    double undone(int input, double place) {
        Curve curve = before.get(input);
        if (curve.isIdentity()) {
            return place;
        }
        double low = curve.at(0);
        return new Curve.Inverse(curve).at(low + place * (curve.at(1) - low));
    }

    /** Lookup tables over all codes for the inputs. */
    char[][] tablesBefore() {
        return Tables.each(before, new char[before.size()][], curve -> {
            double low = curve.at(0);
            double span = curve.at(1) - low;
            return Tables.codes(x -> (curve.at(x) - low) / span);
        });
    }
}
