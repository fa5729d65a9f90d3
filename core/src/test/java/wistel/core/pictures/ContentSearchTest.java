package wistel.core.pictures;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import javax.imageio.stream.FileImageInputStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The demo's pictures, exported once more with another frame, another size, other tones: where their content went is known. */
public class ContentSearchTest {
    private static final LightCurve STRAIGHT = new LightCurve(v -> v);
    private static final List<String> NAMES = List.of("boat-yard-night.jpg", "dune-west-wind.jpg", "fells-first-light.jpg",
        "greenhouse-morning.jpg", "harbour-last-ferry.jpg", "salt-pans-february.jpg");

    /** Of the noise, in pixels: no width of a picture is a multiple of it. */
    private static final int PERIOD = 65_521;

    private static final Map<String, View> DECODED = new ConcurrentHashMap<>();

    private static View picture(String name) {
        return DECODED.computeIfAbsent(name, ContentSearchTest::decoded);
    }

    private static View decoded(String name) {
        return Pictures.upright(PictureFile.open(() -> {
            try {
                return new FileImageInputStream(Path.of("../demo/pictures", name).toFile());
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        })).fitting(2400, STRAIGHT);
    }

    /** The green channel's codes as lightness, as curved as that is. */
    private static LightnessPlane plane(View view, double gamma, double noise) {
        double[] curve = new double[65536];
        Arrays.setAll(curve, code -> 100 * Math.pow(code / 65535.0, gamma));
        double[] grain = new double[PERIOD];
        Arrays.setAll(grain, i -> noise * Math.sin(12.9898 * i));
        float[] values = new float[view.width() * view.height()];
        for (int i = 0; i < values.length; i++) {
            values[i] = (float) (curve[view.pixels()[view.channels() * i + 1]] + grain[i % PERIOD]);
        }
        return new LightnessPlane(view.width(), view.height(), values);
    }

    private static SameContent.Size size(View view) {
        return new SameContent.Size(view.width(), view.height());
    }

    private static SameContent found(View older, View newer, double gamma) {
        return ContentSearch.of(plane(older, 1, 0), size(older), plane(newer, gamma, 0.5), size(newer));
    }

    @DataProvider
    public Object[][] frames() {
        // of the older file: what is cut off left, above, right, below; pixels of the newer per pixel of that; a curve over its tones
        return new Object[][] {{0, 0, 0, 0, 1, 1.0}, {3, 5, 7, 2, 1, 0.8}, {12, 0, 0, 9, 1, 1.3}, {0, 0, 0, 0, 0.5, 0.8},
            {40, 30, 55, 20, 0.73, 0.9}, {300, 100, 200, 50, 1, 1.2}};
    }

    @Test(dataProvider = "frames")
    public void contentIsFoundInAnotherFrameAndSize(int left, int top, int right, int bottom, double scale, double gamma) {
        for (String name : NAMES) {
            View older = picture(name);
            Crop kept = new Crop(left, top, older.width() - left - right, older.height() - top - bottom);
            int w = (int) Math.round(kept.width() * scale);
            int h = (int) Math.round(kept.height() * scale);
            View newer = older.scaled(kept, w, h, STRAIGHT);
            SameContent found = found(older, newer, gamma);
            assertThat(found.alike()).as(name + " " + found).isTrue();
            assertThat(found.followed()).as(name + " " + found).isTrue();
            for (double share : new double[] {0.1, 0.5, 0.9}) {
                assertThat(found.x(share) * w).as(name + " " + found).isCloseTo((share * older.width() - left) * w / kept.width(),
                    within(0.5));
                assertThat(found.y(share) * h).as(name + " " + found).isCloseTo((share * older.height() - top) * h / kept.height(),
                    within(0.5));
            }
            assertThat(found.sameFrame()).isEqualTo(left + top + right + bottom == 0);
        }
    }

    @Test
    public void anotherPictureIsNotTakenForIt() {
        List<View> pictures = NAMES.stream().map(n -> picture(n).fitting(640, STRAIGHT)).toList();
        for (View one : pictures) {
            for (View other : pictures) {
                if (pictures.indexOf(one) != pictures.indexOf(other)) {
                    SameContent found = found(one, other, 1);
                    assertThat(found.alike()).as(NAMES.get(pictures.indexOf(one)) + ", " + NAMES.get(pictures.indexOf(other)) + " " + found)
                        .isFalse();
                }
            }
        }
    }

    @Test
    public void aPictureThatWasStraightenedIsKnownButNotFollowed() {
        View older = picture("greenhouse-morning.jpg").fitting(1200, STRAIGHT);
        View newer = older.scaled(new Crop(30, 30, older.width() - 60, older.height() - 60), 1.5, older.width() - 60, older.height() - 60,
            STRAIGHT);
        SameContent found = found(older, newer, 1);
        assertThat(found.alike()).as(found.toString()).isTrue();
        assertThat(found.followed()).as(found.toString()).isFalse();
    }

    @Test
    public void onePlainToneTellsNothing() {
        View flat = new View(300, 200, 3, new char[300 * 200 * 3]);
        SameContent found = found(flat, flat, 1);
        assertThat(found.followed()).isFalse();
        assertThat(found.sameFrame()).isTrue();
    }
}
