package wistel.core.render;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.StandardOpenOption;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import wistel.core.icc.kernel.Kernels;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.transform.Observer;
import wistel.core.icc.transform.Recipe;
import wistel.core.icc.transform.Transform;
import wistel.core.icc.transform.TransformCompiler;
import wistel.core.length.Margins;
import wistel.core.pictures.LightCurve;
import wistel.core.pictures.Orientation;
import wistel.core.pictures.RowSource;
import wistel.core.pictures.View;
import wistel.core.sheet.Page;
import wistel.core.sheet.Placed;
import wistel.core.sheet.Rect;

/** Small pages and pictures whose every pixel tells its place. */
final class RenderSamples {
    static final Transform SAME = TransformCompiler
        .compile(new Recipe.Convert(StandardSpaces.SRGB, StandardSpaces.SRGB, Intent.RELATIVE, false,
            Observer.ADAPTED), Kernels.SCALAR);
    static final LightCurve STRAIGHT = new LightCurve(v -> v);
    static final float[] THIRDS = {1 / 3f, 1 / 3f, 1 / 3f};

    private RenderSamples() {
    }

    /** 24 by 16 pixels, each telling its own place: red grows to the right, green downwards. */
    static View places() {
        char[] pixels = new char[3 * 24 * 16];
        for (int i = 0; i < 24 * 16; i++) {
            pixels[3 * i] = (char) (2000 * (i % 24 + 1));
            pixels[3 * i + 1] = (char) (3000 * (i / 24 + 1));
            pixels[3 * i + 2] = 9000;
        }
        return new View(24, 16, 3, pixels);
    }

    static View noise(int width, int height) {
        SplittableRandom random = new SplittableRandom(5);
        char[] noise = new char[3 * width * height];
        for (int i = 0; i < noise.length; i++) {
            noise[i] = (char) random.nextInt(65536);
        }
        return new View(width, height, 3, noise);
    }

    static LayoutRenderer.Picture picture(RowSource source) {
        return new LayoutRenderer.Picture(source, Orientation.UPRIGHT, STRAIGHT, THIRDS, SAME);
    }

    static FileChannel scratch() throws IOException {
        return FileChannel.open(Files.createTempFile("spool", ".raw"), StandardOpenOption.READ, StandardOpenOption.WRITE,
            StandardOpenOption.DELETE_ON_CLOSE);
    }

    static Rect pixels(double x, double y, double width, double height) {
        return new Rect(x * 2.54, y * 2.54, width * 2.54, height * 2.54);
    }

    static Placed named(String id, Placed p) {
        return new Placed(id, p.itemId(), p.renditionId(), p.crop(), p.straighten(), p.atMm(), p.orientation(), p.bleed(), p.sides());
    }

    static Page page(double width, double height, Orientation feed, Placed... placed) {
        return Page.of(width * 2.54, height * 2.54, Margins.NONE, feed, List.of(placed), List.of());
    }

    static char[] pixel(char[][] rows, int x, int y) {
        return Arrays.copyOfRange(rows[y], 3 * x, 3 * x + 3);
    }

    static char[] pixelOf(View picture, int x, int y) {
        return picture.pixel(x, y);
    }
}
