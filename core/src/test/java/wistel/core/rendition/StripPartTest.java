package wistel.core.rendition;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.Test;
import wistel.core.colour.LabEncoding;

/** The part of a picture that tells most on a test strip. */
public class StripPartTest {
    private static final int WIDTH = 60;
    private static final int HEIGHT = 40;

    /** Light gray, with a dark patch at the lower left and a strong red one at the upper right. */
    private static StripPart.Map patches() {
        char[] lab = new char[3 * WIDTH * HEIGHT];
        for (int y = 0; y < HEIGHT; y++) {
            for (int x = 0; x < WIDTH; x++) {
                boolean dark = x < 20 && y >= 0;
                boolean red = x >= 50 && y < 12;
                int i = 3 * (y * WIDTH + x);
                lab[i] = LabEncoding.V4.ofL(dark ? 8 + y * 0.05 : 80);
                lab[i + 1] = LabEncoding.V4.ofAb(red ? 60 : 0);
                lab[i + 2] = LabEncoding.V4.ofAb(red ? 40 : 0);
            }
        }
        return new StripPart.Map(lab, WIDTH, HEIGHT);
    }

    @Test
    public void theDarkestThirdIsLookedForWhereItIs() {
        StripPart part = patches().best(StripPart.By.DARKEST, 0.4, 0.5);
        assertThat(part.x()).isLessThan(0.02);
        assertThat(part.darkest()).isCloseTo(0.5, within(0.03));
    }

    @Test
    public void theStrongestColourIsLookedForWhereItIs() {
        StripPart part = patches().best(StripPart.By.COLOUR, 0.4, 0.5);
        assertThat(part.x()).isGreaterThan(0.4);
        assertThat(part.y()).isLessThan(0.01);
        assertThat(part.colour()).isEqualTo(1);
    }

    /** Counted one by one: the sums over rectangles are right for any rectangle. */
    @Test
    public void sharesAreThoseOfPixelsCountedOneByOne() {
        StripPart part = patches().part(0.2, 0.1, 0.5, 0.7);
        int dark = 0;
        for (int y = 4; y < 32; y++) {
            for (int x = 12; x < 42; x++) {
                dark += x < 20 ? 1 : 0;
            }
        }
        assertThat(part.darkest()).isCloseTo(dark / 800.0, within(1e-9));
        assertThat(part.colour()).isZero();
    }

    @Test
    public void aGrayPictureHasNoStrongestColour() {
        char[] lab = new char[3 * 100];
        for (int i = 0; i < 100; i++) {
            lab[3 * i] = LabEncoding.V4.ofL(i);
            lab[3 * i + 1] = LabEncoding.V4.ofAb(0);
            lab[3 * i + 2] = LabEncoding.V4.ofAb(0);
        }
        StripPart.Map map = new StripPart.Map(lab, 10, 10);
        assertThat(map.part(0, 0, 1, 1).colour()).isZero();
        assertThat(map.best(StripPart.By.BOTH, 0.5, 0.4).y()).isLessThan(0.01);
    }
}
