package wistel.core.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.StandardOpenOption;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.testng.annotations.AfterClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.colour.Lab;
import wistel.core.colour.LabEncoding;
import wistel.core.colour.Oklab;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.stage.LabChange.TonesOf;
import wistel.core.icc.transform.Observer;
import wistel.core.icc.transform.Recipe;
import wistel.core.icc.transform.Transform;
import wistel.core.icc.transform.TransformCompiler;
import wistel.core.length.Margins;
import wistel.core.pictures.Crop;
import wistel.core.pictures.GrownTexture;
import wistel.core.pictures.LightCurve;
import wistel.core.pictures.Orientation;
import wistel.core.pictures.PatchSynthesis;
import wistel.core.pictures.SideFill;
import wistel.core.pictures.SideMoves;
import wistel.core.pictures.View;
import wistel.core.progress.Progress;
import wistel.core.rendition.RenditionChange;
import wistel.core.rendition.RenditionCompiler;
import wistel.core.rendition.SideChange;
import wistel.core.sheet.Page;
import wistel.core.sheet.PageRaster;
import wistel.core.sheet.Placed;
import wistel.core.sheet.Rect;
import wistel.core.sheet.WrappedSides;

/**
 * A picture of 240 by 160 pixels on a face of 160 by 120, printed at 254 dpi: ten pixels a millimetre. WrappedSides of 4 mm, the page 2 mm
 * larger all round.
 */
public class SidedPieceTest {
    private static final int DPI = 254;
    private static final int FACE_W = 160;
    private static final int FACE_H = 120;
    private static final int SIDE = 40;
    private static final int OUTSIDE = 20;
    private static final Rect FACE = new Rect(6, 6, 16, 12);
    private static final Rect GROWN = new Rect(2, 2, 24, 20);
    private static final Transform SAME = TransformCompiler.compile(onward(StandardSpaces.SRGB));

    private final ExecutorService workers = Executors.newFixedThreadPool(3);

    @AfterClass(alwaysRun = true)
    void stop() {
        workers.shutdown();
    }

    private static Recipe onward(IccProfile from) {
        return new Recipe.Convert(from, StandardSpaces.SRGB, Intent.RELATIVE, false, Observer.ADAPTED);
    }

    private static View picture() {
        char[] pixels = new char[3 * 240 * 160];
        for (int i = 0; i < 240 * 160; i++) {
            double x = i % 240;
            double y = i / 240;
            pixels[3 * i] = (char) (30000 + 20000 * Math.sin(x / 9 + y / 31));
            pixels[3 * i + 1] = (char) (25000 + 15000 * Math.sin(x / 23) * Math.cos(y / 11));
            pixels[3 * i + 2] = (char) (15000 + 10000 * Math.sin((x + 2 * y) / 17));
        }
        return new View(240, 160, 3, pixels);
    }

    private static FileChannel scratch() throws IOException {
        return FileChannel.open(Files.createTempFile("spool", ".raw"), StandardOpenOption.READ, StandardOpenOption.WRITE,
            StandardOpenOption.DELETE_ON_CLOSE);
    }

    private static Placed face(Optional<WrappedSides> sides) {
        boolean itself = sides.filter(s -> s.fill() instanceof SideFill.Itself).isPresent();
        // 16 x 12 mm of the middle, at one and a quarter pixels to a pixel of the print
        Crop crop = itself
            ? new Crop(20 - 1.25 * SIDE + 30, 5 - 1.25 * SIDE + 50, 1.25 * (FACE_W + 2 * SIDE) * 0.6, 1.25 * (FACE_H + 2 * SIDE) * 0.6)
            : new Crop(20, 5, 1.25 * FACE_W, 1.25 * FACE_H);
        Placed placed = new Placed("r", crop, 0, itself ? GROWN : FACE, Orientation.UPRIGHT);
        return sides.map(placed::sided).orElse(placed);
    }

    private static Optional<WrappedSides> sides(SideFill fill, SideMoves moves) {
        return Optional.of(new WrappedSides(FACE, GROWN, fill, moves));
    }

    private View printed(Placed placed, Orientation feed, Sharpener sharpener, Progress progress) throws IOException {
        Page page = Page.of(28, 24, Margins.NONE, feed, List.of(placed), List.of());
        View picture = picture();
        Optional<GrownTexture> grown = placed.sides().filter(s -> s.fill() instanceof SideFill.Extended)
            .map(s -> PatchSynthesis.grow(picture.scaled(placed.crop(), 80, 60, LightCurve.GAMMA_22), 25, 3));
        Transform moved = placed.sides().filter(s -> !s.moves().leavesColours())
            .map(s -> RenditionCompiler.through(StandardSpaces.SRGB,
                new RenditionCompiler.SidedChange(RenditionChange.NONE, SideChange.of(s.moves(), TonesOf.OKLAB)),
                new RenditionCompiler.ConversionOptions(Intent.RELATIVE, false), SidedPieceTest::onward, TransformCompiler::compile))
            .orElse(SAME);
        LayoutRenderer.Picture of = new LayoutRenderer.Picture(picture, Orientation.UPRIGHT, LightCurve.GAMMA_22,
            new float[] {0.3f, 0.6f, 0.1f}, SAME);
        LayoutRenderer.Job job = new LayoutRenderer.Job(page, Map.of("r", of), Map.of("r", new LayoutRenderer.SideColours(moved, grown)),
            PageRaster.exact(DPI, Double.POSITIVE_INFINITY), sharpener);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        new LayoutRenderer(workers, SidedPieceTest::scratch).render(job, new SampleSink(3, 16, false), out, progress);
        byte[] bytes = out.toByteArray();
        char[] samples = new char[bytes.length / 2];
        for (int i = 0; i < samples.length; i++) {
            samples[i] = (char) ((bytes[2 * i] & 0xFF) << 8 | bytes[2 * i + 1] & 0xFF);
        }
        return new View(job.width(), job.height(), 3, samples).oriented(feed.inverse());
    }

    private View printed(SideFill fill, SideMoves moves) throws IOException {
        return printed(face(sides(fill, moves)), Orientation.UPRIGHT, Sharpener.NONE, Progress.SILENT);
    }

    @DataProvider
    public Object[][] fills() {
        return new Object[][] {{new SideFill.Mirrored()}, {new SideFill.Stretched()},
            {new SideFill.OneColour(new SideFill.Patch(0, 0, 1, 1), List.of(9000, 20000, 40000))},
            {new SideFill.Extended(3)}, {new SideFill.Itself()}};
    }

    /**
     * Whatever is made of the sides, sharpened or not and fed either way: each number of the face is the one that is printed without them.
     */
    @Test(dataProvider = "fills")
    public void theFaceIsThatOfTheUnwrappedPrintBitByBit(SideFill fill) throws IOException {
        for (Orientation feed : List.of(Orientation.UPRIGHT, Orientation.QUARTER_RIGHT)) {
            for (Sharpener sharpener : List.of(Sharpener.NONE, Sharpener.onPaper(0.1, 1.5, DPI))) {
                Placed wrapped = face(sides(fill, new SideMoves(40, 80, 50)));
                View bare = printed(new Placed("r", wrapped.crop(), 0, wrapped.atMm(), Orientation.UPRIGHT), feed, sharpener,
                    Progress.SILENT);
                View all = printed(wrapped, feed, sharpener, Progress.SILENT);
                int off = 0;
                for (int y = 0; y < FACE_H; y++) {
                    for (int x = 0; x < FACE_W; x++) {
                        off += Arrays.equals(all.pixel(OUTSIDE + SIDE + x, OUTSIDE + SIDE + y),
                            bare.pixel(OUTSIDE + SIDE + x, OUTSIDE + SIDE + y)) ? 0 : 1;
                    }
                }
                assertThat(off).as("numbers of the face that differ, fed %s", feed).isZero();
                assertThat(all.pixel(5, 5)).as("beside it").containsOnly((char) 65535);
                assertThat(all.pixel(OUTSIDE + 3, OUTSIDE + 3)).as("in a corner").isNotEqualTo(new char[] {65535, 65535, 65535});
            }
        }
    }

    @Test
    public void mirroredSidesAreTheFaceSeenInAMirror() throws IOException {
        View all = printed(new SideFill.Mirrored(), SideMoves.NONE);
        for (int d = 0; d < SIDE; d++) {
            assertThat(all.pixel(OUTSIDE + SIDE - 1 - d, 100)).isEqualTo(all.pixel(OUTSIDE + SIDE + d, 100));
            assertThat(all.pixel(130, OUTSIDE + SIDE + FACE_H + d)).isEqualTo(all.pixel(130, OUTSIDE + SIDE + FACE_H - 1 - d));
        }
    }

    /** The way in is as long as the way out at the fold, then less and less: 5 (1 - exp(-d/5)) mm, worked out here for the whole side. */
    @Test
    public void stretchedSidesComeFromTheOutermostMillimetres() throws IOException {
        View all = printed(new SideFill.Stretched(), SideMoves.NONE);
        for (int d = 0; d < SIDE; d++) {
            double in = 50 * (1 - Math.exp(-(d + 0.5) / 50)) - 0.5;
            double expected = all.pixel(OUTSIDE + SIDE + (int) in, 100)[0] * (1 - in % 1)
                + all.pixel(OUTSIDE + SIDE + (int) in + 1, 100)[0] * (in % 1);
            assertThat((double) all.pixel(OUTSIDE + SIDE - 1 - d, 100)[0]).isCloseTo(in < 0 ? all.pixel(OUTSIDE + SIDE, 100)[0] : expected,
                within(1.0));
        }
    }

    /**
     * Against Oklab written out: all its coordinates times 0.7, chroma times 0.6 as well; half of it a millimetre behind the fold, where
     * the fade is in its middle.
     */
    @Test
    public void sidesAreDarkenedAndDrainedInOklabAndFadeInBehindTheFold() throws IOException {
        View plain = printed(new SideFill.Mirrored(), SideMoves.NONE);
        View moved = printed(new SideFill.Mirrored(), new SideMoves(30, 0, 40));
        Transform toLab = TransformCompiler.toLab(StandardSpaces.SRGB);
        for (int d : new int[] {20, 25, 30, 39}) {
            double[] wanted = oklab(toLab, plain.pixel(OUTSIDE + SIDE - 1 - d, 90));
            double[] got = oklab(toLab, moved.pixel(OUTSIDE + SIDE - 1 - d, 90));
            assertThat(got[0]).isCloseTo(0.7 * wanted[0], within(0.006));
            assertThat(got[1]).isCloseTo(0.42 * wanted[1], within(0.006));
            assertThat(got[2]).isCloseTo(0.42 * wanted[2], within(0.006));
        }
        char[] from = plain.pixel(OUTSIDE + SIDE - 10, 90);
        char[] middle = moved.pixel(OUTSIDE + SIDE - 10, 90);
        // 9.5 pixels are 0.95 mm: 3 t^2 - 2 t^3 of 0.475
        double share = 3 * 0.475 * 0.475 - 2 * Math.pow(0.475, 3);
        assertThat(middle[1]).isBetween((char) Math.round(from[1] * (1 - share) * 0.98), (char) Math.round(from[1] * 1.02));
        assertThat(moved.pixel(OUTSIDE + SIDE - 1, 90)[0] / (double) plain.pixel(OUTSIDE + SIDE - 1, 90)[0]).as("at the fold itself")
            .isCloseTo(1, within(0.002));
    }

    private static double[] oklab(Transform toLab, char[] srgb) {
        Lab lab = LabEncoding.V4.lab(toLab.exact(srgb[0] / 65535.0, srgb[1] / 65535.0, srgb[2] / 65535.0));
        double[] values = lab.toArray();
        Oklab.fromLab(values, 0);
        return values;
    }

    /**
     * Softer is a bell curve of 2 mm at most, faded in: contrast from pixel to pixel goes down with the way from the fold, the mean stays.
     */
    @Test
    public void softSidesLoseContrastAndKeepTheirMean() throws IOException {
        View plain = printed(new SideFill.Mirrored(), SideMoves.NONE);
        View soft = printed(new SideFill.Mirrored(), new SideMoves(0, 50, 0));
        assertThat(unrest(soft, 5)).isLessThan(0.5 * unrest(plain, 5));
        assertThat(unrest(soft, SIDE - 1)).isCloseTo(unrest(plain, SIDE - 1), within(0.02 * unrest(plain, SIDE - 1)));
        double before = 0;
        double after = 0;
        for (int y = 70; y < 170; y++) {
            for (int x = OUTSIDE; x < OUTSIDE + SIDE; x++) {
                before += plain.pixel(x, y)[1];
                after += soft.pixel(x, y)[1];
            }
        }
        assertThat(after / before).isCloseTo(1, within(0.02));
    }

    /** Of a column of the left side. */
    private static double unrest(View v, int column) {
        double sum = 0;
        for (int y = 70; y < 170; y++) {
            sum += Math.abs(v.pixel(OUTSIDE + column, y)[0] - v.pixel(OUTSIDE + column, y - 1)[0])
                + Math.abs(v.pixel(OUTSIDE + column, y)[2] - v.pixel(OUTSIDE + column, y - 1)[2]);
        }
        return sum;
    }

    /** The same page fed turned a quarter shows the same sides. */
    @Test(dataProvider = "fills")
    public void howThePageIsFedChangesNothing(SideFill fill) throws IOException {
        Placed placed = face(sides(fill, new SideMoves(10, 20, 30)));
        View upright = printed(placed, Orientation.UPRIGHT, Sharpener.NONE, Progress.SILENT);
        View turned = printed(placed, Orientation.QUARTER_RIGHT, Sharpener.NONE, Progress.SILENT);
        double off = 0;
        for (int i = 0; i < upright.pixels().length; i++) {
            off += Math.abs(upright.pixels()[i] - turned.pixels()[i]);
        }
        assertThat(off / upright.pixels().length).isLessThan(40);
    }

    @Test
    public void renderingIsCancelledInTheMiddle() {
        Placed placed = face(sides(new SideFill.Extended(1), new SideMoves(10, 90, 0)));
        assertThatThrownBy(() -> printed(placed, Orientation.UPRIGHT, Sharpener.NONE, done -> {
            throw new CancellationException("stopped");
        })).isInstanceOf(CancellationException.class);
    }
}
