package wistel.core.pictures;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.SplittableRandom;
import java.util.concurrent.atomic.AtomicInteger;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.render.PictureLight;

/** A part of a picture that is read from its file is the part of the picture. */
public class ViewTest {
    private static final int WIDTH = 310;
    private static final int HEIGHT = 170;
    private static final LightCurve LIGHT = PictureLight.of(StandardSpaces.SRGB);

    private static View noise() {
        SplittableRandom random = new SplittableRandom(5);
        char[] pixels = new char[3 * WIDTH * HEIGHT];
        for (int i = 0; i < pixels.length; i++) {
            pixels[i] = (char) random.nextInt(65536);
        }
        return new View(WIDTH, HEIGHT, 3, pixels);
    }

    @DataProvider
    Object[][] parts() {
        return new Object[][] {{new Crop(0, 0, WIDTH, HEIGHT), 100, 55}, {new Crop(41.5, 33.25, 120, 80), 60, 40},
            {new Crop(200, 100, 110, 70), 110, 70}, {new Crop(309, 169, 1, 1), 1, 1}, {new Crop(0, 160, 310, 10), 31, 1}};
    }

    @Test(dataProvider = "parts")
    public void aPartReadFromASourceIsThatOfThePicture(Crop crop, int width, int height) {
        View view = noise();
        View part = View.part(view, crop, width, height, LIGHT);
        assertThat(part.pixels()).isEqualTo(view.scaled(crop, width, height, LIGHT).pixels());
    }

    /** Of a picture of a hundred thousand rows. */
    @Test
    public void littleBelowThePartIsRead() {
        AtomicInteger read = new AtomicInteger();
        RowSource tall = new RowSource() {
            @Override
            public int width() {
                return WIDTH;
            }

            @Override
            public int height() {
                return 100_000;
            }

            @Override
            public int channels() {
                return 3;
            }

            @Override
            public void rows(RowSink sink) {
                for (int y = 0; y < height(); y++) {
                    read.incrementAndGet();
                    sink.row(y, new char[3 * WIDTH]);
                }
            }
        };
        assertThat(View.part(tall, new Crop(10, 20, 100, 50), 50, 25, LIGHT).width()).isEqualTo(50);
        assertThat(read.get()).isBetween(70, 50_000);
    }

    @Test
    public void aPartBeyondThePictureIsRefused() {
        assertThatThrownBy(() -> View.part(noise(), new Crop(300, 0, 20, 20), 20, 20, LIGHT)).isInstanceOf(IllegalArgumentException.class);
    }
}
