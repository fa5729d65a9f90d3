package wistel.core.icc.making;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.Test;
import wistel.core.colour.Lab;
import wistel.core.colour.LabEncoding;

public class JudgingPageTest {
    private static final char[] PAGE = JudgingPage.lab();

    private static Lab at(int x, int y) {
        return LabEncoding.V4.lab(PAGE, 3 * (y * JudgingPage.WIDTH + x));
    }

    @Test
    public void rampsRunFromBlackToPaperAndTonesLieBetween() {
        assertThat(at(0, 60).l()).isCloseTo(0, within(0.01));
        assertThat(at(JudgingPage.WIDTH - 1, 60).l()).isCloseTo(100, within(0.01));
        assertThat(at(900, 60).chroma()).isLessThan(0.01);
        assertThat(at(900, 180).b()).as("warm").isGreaterThan(5);
        assertThat(at(900, 260).b()).as("cold").isLessThan(-5);
        assertThat(at(0, 180).chroma()).as("black stays what it is").isLessThan(0.01);
    }

    @Test
    public void circlesHaveTheirLightnessAndGetMoreVividOutwards() {
        for (int i = 0; i < 3; i++) {
            Lab middle = at(300 + 600 * i, 570);
            Lab edge = at(300 + 600 * i + 235, 570);
            assertThat(middle.chroma()).isLessThan(0.5);
            assertThat(edge.chroma()).isGreaterThan(65);
            assertThat(edge.l()).isCloseTo(new double[] {40, 60, 80}[i], within(0.1));
        }
    }

    @Test
    public void shadowsAndLightsStepEvenly() {
        for (int i = 0; i < 12; i++) {
            assertThat(at(150 * i + 100, 900).l()).isCloseTo(2 * i, within(0.01));
            assertThat(at(150 * i + 100, 1060).l()).isCloseTo(89 + i, within(0.01));
        }
    }

    @Test
    public void roomForPicturesIsBare() {
        for (int nth = 0; nth < 2; nth++) {
            assertThat(at(JudgingPage.pictureLeft(nth) + 400, JudgingPage.PICTURE_TOP + 300).l()).isCloseTo(100, within(0.01));
        }
        assertThat(JudgingPage.PICTURE_TOP + JudgingPage.PICTURE_HEIGHT).isEqualTo(JudgingPage.HEIGHT);
    }
}
