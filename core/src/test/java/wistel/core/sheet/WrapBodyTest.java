package wistel.core.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.fault.InvalidRequest;

/** The flat print is folded back round the body in small steps, as canvas bends, and each place is looked up there. */
public class WrapBodyTest {
    private static final double NEAR_MM = 0.1;
    private static final double STEP_MM = 0.001;

    @DataProvider
    public Object[][] bodies() {
        return new Object[][] {{body(600, 400, 38, 20, 0.48, new WrapBody.Growth(0.004, 0.007))},
            {body(300, 200, 18, 25, 0.3, new WrapBody.Growth(-0.01, 0.002))},
            {body(900, 300, 45, 30, 0.62, WrapBody.Growth.NONE)}, {body(200, 150, 3, 40, 0.2, new WrapBody.Growth(-0.015, -0.008))},
            {new WrapBody(300, 200, new WrapBody.Support(WrapBody.Kind.BOARD, 5, 4), new WrapBody.TurnOver(30, 3, false, 2), 0.2,
                Optional.empty())}};
    }

    private static WrapBody body(double width, double height, double depth, double turnOver, double thickness, WrapBody.Growth growth) {
        return new WrapBody(width, height, new WrapBody.Support(WrapBody.Kind.BARS, depth, 0), new WrapBody.TurnOver(turnOver, 0, false, 3),
            thickness, Optional.of(growth));
    }

    private static double across(WrapBody body) {
        return 1 + body.growth().map(WrapBody.Growth::across).orElse(0.0);
    }

    private static double along(WrapBody body) {
        return 1 + body.growth().map(WrapBody.Growth::along).orElse(0.0);
    }

    /** Depth behind the face and way across it of the printed side, at a way from the face's edge on the finished body. */
    private static double[] folded(WrapBody body, double way) {
        double t = body.thicknessMm();
        double quarter = Math.PI / 2 * t;
        double[] at = {0, 0};
        for (double gone = STEP_MM / 2; gone < way; gone += STEP_MM) {
            double angle = (Math.min(gone, quarter) + Math.max(0, Math.min(gone - quarter - body.support().totalMm(), quarter))) / t;
            at[0] += Math.cos(angle) * STEP_MM;
            at[1] += Math.sin(angle) * STEP_MM;
        }
        return at;
    }

    /** On the finished body the sides are covered to the back by what lies between the face and the sides' end on the flat print. */
    @Test(dataProvider = "bodies")
    public void foldedBackEachLineLiesWhereItShould(WrapBody body) {
        Rect face = body.face();
        Rect sides = body.grown(body.sideMm());
        assertThat(face.width() * across(body)).isCloseTo(body.faceWidthMm(), within(NEAR_MM));
        assertThat(face.height() * along(body)).isCloseTo(body.faceHeightMm(), within(NEAR_MM));
        double way = (face.x() - sides.x()) * across(body);
        double[] end = folded(body, way);
        // the printed side stands its thickness before and beside the body
        assertThat(end[0]).as("out from the side").isCloseTo(body.thicknessMm(), within(NEAR_MM));
        assertThat(end[1]).as("back from the face").isCloseTo(body.support().totalMm() + body.thicknessMm(), within(NEAR_MM));
        double[] edge = folded(body, face.y() * along(body));
        assertThat(edge[1]).as("on the back").isCloseTo(body.support().totalMm() + 2 * body.thicknessMm(), within(NEAR_MM));
        assertThat(edge[0]).as("in from the side").isCloseTo(-body.turnOver().widthMm() - body.turnOver().playMm(), within(NEAR_MM));
    }

    @Test(dataProvider = "bodies")
    public void theFlatPrintIsTheFaceWithAllThatGoesRound(WrapBody body) {
        Rect face = body.face();
        assertThat(face.x() * 2 + face.width()).isCloseTo(body.flatWidthMm(), within(1e-9));
        assertThat(face.y() * 2 + face.height()).isCloseTo(body.flatHeightMm(), within(1e-9));
        assertThat(body.grown(body.aroundMm())).isEqualTo(new Rect(0, 0, body.flatWidthMm(), body.flatHeightMm()));
    }

    /** Worked out by hand: 0.48 mm of canvas, 38 mm bars, 20 mm turned over. */
    @Test
    public void aCanvasOf600By400TakesThisMuch() {
        WrapBody body = body(600, 400, 38, 20, 0.48, WrapBody.Growth.NONE);
        assertThat(body.foldMm()).isCloseTo(0.754, within(0.001));
        assertThat(body.flatWidthMm()).isCloseTo(600 + 2 * (38 + 20 + 1.508), within(0.01));
        assertThat(body.flatHeightMm()).isCloseTo(400 + 2 * (38 + 20 + 1.508), within(0.01));
    }

    @Test
    public void bodiesThatCantBeAreRefusedInWords() {
        assertThatThrownBy(() -> body(300, 200, 0, 20, 0.4, WrapBody.Growth.NONE)).isInstanceOf(InvalidRequest.class)
            .hasMessageContaining("can't be wrapped");
        assertThatThrownBy(() -> body(300, 70, 38, 20, 0.4, WrapBody.Growth.NONE)).isInstanceOf(InvalidRequest.class)
            .hasMessageContaining("deeper than half");
        assertThatThrownBy(() -> body(3100, 700, 38, 20, 0.4, WrapBody.Growth.NONE)).isInstanceOf(InvalidRequest.class);
        assertThatThrownBy(() -> new WrapBody.Growth(0.2, 0)).isInstanceOf(InvalidRequest.class);
    }
}
