package wistel.core.pictures;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.Optional;
import java.util.SplittableRandom;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class PatchSynthesisTest {
    private static final int WIDTH = 150;
    private static final int HEIGHT = 110;
    private static final int MARGIN = 37;

    private interface Drawn {
        double at(int x, int y);
    }

    private static View picture(int width, int height, Drawn drawn) {
        char[] pixels = new char[3 * width * height];
        for (int i = 0; i < width * height; i++) {
            char v = (char) Math.round(65535 * Math.max(0, Math.min(1, drawn.at(i % width, i / width))));
            pixels[3 * i] = v;
            pixels[3 * i + 1] = (char) (v / 2);
            pixels[3 * i + 2] = (char) (65535 - v);
        }
        return new View(width, height, 3, pixels);
    }

    private static View noise() {
        SplittableRandom random = new SplittableRandom(5);
        double[] values = random.doubles(WIDTH * HEIGHT).toArray();
        return picture(WIDTH, HEIGHT, (x, y) -> values[y * WIDTH + x]);
    }

    @DataProvider
    public Object[][] pictures() {
        return new Object[][] {{noise()}, {picture(WIDTH, HEIGHT, (x, y) -> x / 150.0)}, {picture(WIDTH, HEIGHT, (x, y) -> 0.4)},
            {picture(WIDTH, HEIGHT, (x, y) -> (x + y) / 20 % 2)},
            {picture(90, 1, (x, y) -> x / 90.0)}, {picture(3, 40, (x, y) -> y / 40.0)}, {picture(17, 17, (x, y) -> (x * y) % 7 / 7.0)}};
    }

    /** The picture itself is not touched, every new pixel is one of its own, and the first ones outside mirror it. */
    @Test(dataProvider = "pictures")
    public void thePictureStaysAndItsEdgeIsMirrored(View picture) {
        int margin = Math.min(MARGIN, Math.max(picture.width(), picture.height()));
        GrownTexture grown = PatchSynthesis.grow(picture, margin, 1);
        assertThat(grown.width()).isEqualTo(picture.width() + 2 * margin);
        assertThat(grown.height()).isEqualTo(picture.height() + 2 * margin);
        assertThat(Arrays.stream(grown.origin()).allMatch(o -> o >= 0 && o >>> 2 < picture.width() * picture.height())).isTrue();
        for (int y = 0; y < picture.height(); y++) {
            for (int x = 0; x < picture.width(); x++) {
                assertThat(grown.from(margin + x, margin + y)).isEqualTo(y * picture.width() + x);
            }
            assertThat(grown.from(margin - 1, margin + y)).isEqualTo(y * picture.width());
            assertThat(grown.from(margin + picture.width(), margin + y)).isEqualTo((y + 1) * picture.width() - 1);
        }
        for (int x = 0; x < picture.width(); x++) {
            assertThat(grown.from(margin + x, margin - 1)).isEqualTo(x);
            assertThat(grown.from(margin + x, margin + picture.height())).isEqualTo((picture.height() - 1) * picture.width() + x);
        }
        View all = grown.of(picture);
        assertThat(all.pixel(margin, margin)).isEqualTo(picture.pixel(0, 0));
    }

    @Test
    public void theSameSeedGrowsTheSameAndAnotherOneAnother() {
        View picture = noise();
        assertThat(PatchSynthesis.grow(picture, MARGIN, 9).origin()).isEqualTo(PatchSynthesis.grow(picture, MARGIN, 9).origin());
        assertThat(PatchSynthesis.grow(picture, MARGIN, 10).origin()).isNotEqualTo(PatchSynthesis.grow(picture, MARGIN, 9).origin());
    }

    /** A pattern that goes on for ever is known outside: stripes across the edge go on as they are. */
    @Test
    public void aPatternGoesOnAcrossTheEdge() {
        Drawn stripes = (x, y) -> 0.5 + 0.5 * Math.sin(2 * Math.PI * x / 13);
        View grown = PatchSynthesis.grow(picture(WIDTH, HEIGHT, stripes), MARGIN, 3).of(picture(WIDTH, HEIGHT, stripes));
        double off = 0;
        int count = 0;
        for (int y = 0; y < grown.height(); y++) {
            for (int x = MARGIN; x < MARGIN + WIDTH; x++) {
                off += Math.abs(grown.pixel(x, y)[0] / 65535.0 - stripes.at(x - MARGIN, 0));
                count++;
            }
        }
        assertThat(off / count).as("mean difference to the stripes as they would go on").isLessThan(0.02);
    }

    /** Slanting stripes go on in their direction: they don't turn back as in a mirror. */
    @Test
    public void whatMeetsTheEdgeAtASlantGoesOnStraight() {
        Drawn slanting = (x, y) -> 0.5 + 0.5 * Math.sin(2 * Math.PI * (x + 0.7 * y) / 17);
        View picture = picture(WIDTH, HEIGHT, slanting);
        View grown = PatchSynthesis.grow(picture, MARGIN, 3).of(picture);
        double straight = 0;
        double mirrored = 0;
        for (int out = 4; out < 20; out++) {
            for (int x = MARGIN + 20; x < MARGIN + WIDTH - 20; x++) {
                double got = grown.pixel(x, MARGIN - 1 - out)[0] / 65535.0;
                straight += Math.abs(got - slanting.at(x - MARGIN, -1 - out));
                mirrored += Math.abs(got - slanting.at(x - MARGIN, out));
            }
        }
        assertThat(straight).isLessThan(mirrored / 3);
    }

    /** A dark strip along the edge that is too narrow to take patches from stays dark outside of it. */
    @Test
    public void whereNothingLooksLikeTheEdgeItIsMirrored() {
        Drawn strip = (x, y) -> y > HEIGHT - 14 && x > 40 && x < 110 ? 0.1 : 0.8 + 0.05 * Math.sin(x / 3.0 + y / 5.0);
        View picture = picture(WIDTH, HEIGHT, strip);
        View grown = PatchSynthesis.grow(picture, MARGIN, 3).of(picture);
        for (int out = 0; out < 6; out++) {
            for (int x = MARGIN + 60; x < MARGIN + 100; x++) {
                assertThat(grown.pixel(x, MARGIN + HEIGHT + out)[0] / 65535.0).as("%s, %s pixels outside", x, out).isLessThan(0.3);
            }
        }
    }

    /** Steps from pixel to pixel outside are like those inside: no seams. */
    @Test
    public void noSeamIsHarderThanThePicture() {
        Drawn soft = (x, y) -> 0.5 + 0.2 * Math.sin(x / 9.0) + 0.2 * Math.sin(y / 7.0 + x / 23.0);
        View picture = picture(WIDTH, HEIGHT, soft);
        View grown = PatchSynthesis.grow(picture, MARGIN, 3).of(picture);
        double[] inside = steps(picture);
        double[] outside = steps(grown);
        assertThat(outside[(int) (0.995 * outside.length)]).isLessThan(2.5 * inside[(int) (0.995 * inside.length)]);
    }

    /** Absolute differences of neighbours, in rising order. */
    private static double[] steps(View v) {
        double[] steps = new double[(v.width() - 1) * (v.height() - 1) * 2];
        int at = 0;
        for (int y = 1; y < v.height(); y++) {
            for (int x = 1; x < v.width(); x++) {
                steps[at++] = Math.abs(v.pixel(x, y)[0] - v.pixel(x - 1, y)[0]);
                steps[at++] = Math.abs(v.pixel(x, y)[0] - v.pixel(x, y - 1)[0]);
            }
        }
        Arrays.sort(steps);
        return steps;
    }

    /**
     * Carried to three times the size the face is the large picture bit by bit, its mirrored edge too, and what was found small holds
     * large.
     */
    @Test
    public void whatWasFoundSmallIsCarriedToALargePicture() {
        Drawn drawn = (x, y) -> 0.5 + 0.3 * Math.sin(x / 9.0) + 0.15 * Math.sin(y / 4.0 + x / 23.0);
        View small = picture(WIDTH, HEIGHT, drawn);
        View large = picture(3 * WIDTH, 3 * HEIGHT,
            (x, y) -> 0.5 + 0.3 * Math.sin((x - 1) / 27.0) + 0.15 * Math.sin((y - 1) / 12.0 + (x - 1) / 69.0));
        GrownTexture grown = PatchSynthesis.grow(small, MARGIN, 4);
        int m = 3 * MARGIN;
        View carried = carried(grown, large, m);
        assertThat(carried.width()).isEqualTo(large.width() + 2 * m);
        for (int y = 0; y < large.height(); y++) {
            for (int x = 0; x < large.width(); x++) {
                assertThat(carried.pixel(m + x, m + y)).isEqualTo(large.pixel(x, y));
            }
        }
        for (int y = 0; y < large.height(); y++) {
            assertThat(carried.pixel(m - 1, m + y)).as("mirrored at the left, row " + y).isEqualTo(large.pixel(0, y));
            assertThat(carried.pixel(m - 2, m + y)).isEqualTo(large.pixel(1, y));
        }
        View flat = grown.of(small);
        double off = 0;
        for (int y = 0; y < flat.height(); y++) {
            for (int x = 0; x < flat.width(); x++) {
                off += Math.abs(flat.pixel(x, y)[0] - carried.pixel(3 * x + 1, 3 * y + 1)[0]) / 65535.0;
            }
        }
        assertThat(off / (flat.width() * flat.height())).isLessThan(0.01);
        assertThat(carried(grown, small, MARGIN).pixels()).as("at its own size").isEqualTo(flat.pixels());
    }

    private static View carried(GrownTexture grown, View large, int m) {
        Surround all = new Surround(large, new Surround.Ring(m, m, m, m), new SideFill.Extended(0), 10, Optional.of(grown));
        return new View(all.width(), all.height(), 3, all.block(0, all.width(), 0, all.height()));
    }

    /** A picture that is fed turned gets the same texture, turned. */
    @Test
    public void theTextureOfATurnedPictureIsTheTextureTurned() {
        View small = noise();
        View large = picture(2 * WIDTH, 2 * HEIGHT, (x, y) -> 0.5 + 0.3 * Math.sin(x / 7.0) + 0.15 * Math.sin(y / 4.0 + x / 23.0));
        GrownTexture grown = PatchSynthesis.grow(small, MARGIN, 4);
        View upright = carried(grown, large, 2 * MARGIN);
        for (Orientation orientation : Orientation.values()) {
            View turned = carried(grown.turned(orientation), large.oriented(orientation), 2 * MARGIN);
            double off = 0;
            char[] expected = upright.oriented(orientation).pixels();
            for (int i = 0; i < expected.length; i++) {
                off += Math.abs(expected[i] - turned.pixels()[i]);
            }
            // places that fall on the edge between two pixels may go to either
            assertThat(off / expected.length / 65535).as("%s", orientation).isLessThan(0.005);
        }
    }

    @Test
    public void marginsThatCantBeAreRefused() {
        assertThatThrownBy(() -> PatchSynthesis.grow(noise(), 0, 1)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> PatchSynthesis.grow(noise(), WIDTH + 1, 1)).isInstanceOf(IllegalArgumentException.class);
    }
}
