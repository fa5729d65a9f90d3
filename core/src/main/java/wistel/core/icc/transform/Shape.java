package wistel.core.icc.transform;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wistel.core.colour.D50;
import wistel.core.icc.stage.Chain;
import wistel.core.icc.stage.Curve;
import wistel.core.icc.stage.Stage;

/**
 * Where a grid's nodes lie along its inputs, and how its results are held: curves before and after it. Three kinds of input curves are
 * worth a try: none; lightness, where the source counts light; and the curves of the chain's own first table, so that its nodes and
 * the grid's fall together.
 *
 * @param before  a rising curve for each input, from input to place along the axis
 * @param after   from result to what the grid holds; empty where the grid holds results
 * @param spacing the number of cells whose multiples the grid's cells should be, or 1
 */
record Shape(List<Curve> before, Optional<Curve> after, int spacing, String words) {
    /** How far a curve must bend before it is worth a table. */
    private static final double BEND = 0.03;
    /** Lightness of a device's middle gray above which its numbers count light rather than lightness. */
    private static final double COUNTS_LIGHT = 62;

    static List<Shape> candidates(Chain chain, int inputs, int outputs, Optional<Chain> look) {
        List<Curve> none = java.util.Collections.nCopies(inputs, Curve.IDENTITY);
        Optional<Curve> after = outputs == 3 ? look.filter(l -> l.at(0.5, 0.5, 0.5)[0] > COUNTS_LIGHT && l.at(0, 0, 0)[0] < 5).map(l -> LIGHTNESS) : Optional.empty();
        List<Shape> shapes = new ArrayList<>(List.of(new Shape(none, after, 1, after.isPresent() ? " with lightness after" : "")));
        List<Stage> stages = chain.stages();
        boolean curvesFirst = !stages.isEmpty() && stages.get(0) instanceof Stage.Curves;
        List<Curve> first = curvesFirst ? List.of(((Stage.Curves) stages.get(0)).curves()) : none;
        Stage then = stages.size() > (curvesFirst ? 1 : 0) ? stages.get(curvesFirst ? 1 : 0) : null;
        if (then instanceof Stage.Clut clut && first.stream().allMatch(Shape::rises)) {
            shapes.add(new Shape(first, after, clut.grid().size(0) - 1, " on the table's own nodes"));
        }
        if (then instanceof Stage.Linear && inputs == 3) {
            List<Curve> lightness = first.stream().map(c -> c.then(LIGHTNESS)).toList();
            if (lightness.stream().allMatch(Shape::rises) && lightness.stream().anyMatch(Shape::bends)) {
                shapes.add(new Shape(lightness, after, 1, " with lightness before"));
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

    /** The side nearest to a wanted one, not below it, that suits the spacing and the limit. */
    int side(int wanted, int most) {
        int cells = (Math.max(1, wanted - 1) + spacing - 1) / spacing * spacing;
        while (cells + 1 > most && cells > spacing) {
            cells -= spacing;
        }
        return Math.min(cells, most - 1) + 1;
    }

    boolean isStraight() {
        return before.stream().allMatch(Curve::isIdentity) && after.isEmpty();
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

    /** A result as the grid holds it. */
    double shaped(double result) {
        return after.map(c -> c.at(Math.max(0, Math.min(1, result)))).orElse(result);
    }

    /** Lookup tables over all codes for the inputs. */
    char[][] tablesBefore() {
        return Tables.each(before, new char[before.size()][], curve -> {
            double low = curve.at(0);
            double span = curve.at(1) - low;
            return Tables.codes(x -> (curve.at(x) - low) / span);
        });
    }

    char[][] tablesAfter() {
        if (after.isEmpty()) {
            return new char[0][];
        }
        char[] table = Tables.codes(after.get().inverse()::at);
        return new char[][] {table, table, table};
    }
}
