package wistel.core.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.fault.InvalidRequest;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.transform.Observer;
import wistel.core.icc.transform.Recipe;
import wistel.core.icc.transform.Transform;
import wistel.core.icc.transform.TransformCompiler;
import wistel.core.length.Length;
import wistel.core.length.Margins;
import wistel.core.pictures.Crop;
import wistel.core.pictures.LightCurve;
import wistel.core.pictures.Orientation;
import wistel.core.pictures.View;
import wistel.core.progress.Progress;
import wistel.core.rendition.PlacedTransform;
import wistel.core.rendition.RenditionChange;
import wistel.core.rendition.RenditionCompiler;
import wistel.core.sheet.Mark;
import wistel.core.sheet.MarkArt;
import wistel.core.sheet.OwnMark;
import wistel.core.sheet.Page;
import wistel.core.sheet.PageRaster;
import wistel.core.sheet.Placed;
import wistel.core.sheet.Rect;

/** Marks of one's own on a page of 100 x 100 mm with a flat picture of 60 x 60 mm in its middle. */
public class StampsTest {
    private static final int PAGE = 100;
    private static final double DPI = 2 * Length.MM_PER_INCH;
    private static final char[] GRAY = {30000, 30000, 30000};
    private static final Transform TO_WORKING = TransformCompiler
        .compile(RenditionCompiler.recipe(StandardSpaces.SRGB, RenditionChange.NONE, Intent.RELATIVE, false));
    private static final Transform ONWARD = TransformCompiler
        .compile(new Recipe.Convert(RenditionCompiler.WORKING, StandardSpaces.WIDE_RGB, Intent.RELATIVE, false, Observer.ADAPTED));
    private static final Transform AT_ONCE = TransformCompiler
        .compile(new Recipe.Convert(StandardSpaces.SRGB, StandardSpaces.WIDE_RGB, Intent.RELATIVE, false, Observer.ADAPTED));

    private static String svg(String inner) {
        return "<svg xmlns='http://www.w3.org/2000/svg' xmlns:xlink='http://www.w3.org/1999/xlink' viewBox='0 0 40 20' width='40' "
            + "height='20'>" + inner + "</svg>";
    }

    private static StampArt drawing(String inner) {
        return MarkPainters.drawing(SafeSvg.of(svg(inner).getBytes(StandardCharsets.UTF_8)), TO_WORKING);
    }

    /** Left half orange. */
    private static final StampArt HALF = drawing("<rect width='20' height='20' fill='#ff8000'/>");

    private static char[] rendered(StampArt art, OwnMark.Ink ink, double opacity, Rect at, Orientation feed) throws IOException {
        MarkArt named = new MarkArt(MarkArt.Kind.DRAWING, "mark", "content", 2);
        Page page = Page.of(PAGE, PAGE, Margins.NONE, feed,
            List.of(Placed.upright("r1", new Crop(0, 0, 60, 60), new Rect(20, 20, 60, 60))),
            at == null ? List.of() : List.of(new Mark.Stamp(named, at, at, Orientation.UPRIGHT, opacity, ink)));
        char[] flat = new char[60 * 60 * 3];
        for (int i = 0; i < flat.length; i++) {
            flat[i] = GRAY[i % 3];
        }
        LayoutRenderer.Picture picture = new LayoutRenderer.Picture(new View(60, 60, 3, flat), Orientation.UPRIGHT, LightCurve.GAMMA_22,
            new float[0], AT_ONCE);
        LayoutRenderer.Stamps stamps = new LayoutRenderer.Stamps(Map.of("content", art),
            Map.of("r1", PlacedTransform.everywhere(TO_WORKING)), ONWARD, TO_WORKING.apply(new char[] {65535, 65535, 65535}), false);
        LayoutRenderer.Job job = new LayoutRenderer.Job(page, Map.of("r1", picture), Map.of(),
            PageRaster.exact(DPI, Double.POSITIVE_INFINITY), Sharpener.NONE, at == null ? Optional.empty() : Optional.of(stamps));
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        new LayoutRenderer(Runnable::run, RenderSamples::scratch).render(job, new SampleSink(3, 16, false), out, Progress.SILENT);
        byte[] bytes = out.toByteArray();
        char[] samples = new char[bytes.length / 2];
        for (int i = 0; i < samples.length; i++) {
            samples[i] = (char) ((bytes[2 * i] & 0xFF) << 8 | bytes[2 * i + 1] & 0xFF);
        }
        return samples;
    }

    private static char[] at(char[] page, double xMm, double yMm) {
        int pixel = (int) (yMm * 2) * 2 * PAGE + (int) (xMm * 2);
        return Arrays.copyOfRange(page, 3 * pixel, 3 * pixel + 3);
    }

    private static void same(char[] one, char[] other, double tolerance) {
        for (int c = 0; c < 3; c++) {
            assertThat((double) one[c]).as(c + " of " + Arrays.toString(one)).isCloseTo(other[c], within(tolerance));
        }
    }

    /** Half of it over the picture, half in the border: one colour, that of a picture of it. */
    @Test
    public void itsColoursAreConvertedAsAPicturesAreInTheBorderAndOverThePicture() throws IOException {
        char[] page = rendered(HALF, OwnMark.Ink.OWN, 1, new Rect(10, 40, 40, 20), Orientation.UPRIGHT);
        char[] orange = AT_ONCE.apply(new char[] {65535, (char) (128 * 257), 0});
        same(at(page, 15, 50), orange, 60);
        same(at(page, 25, 50), orange, 60);
        char[] without = rendered(HALF, OwnMark.Ink.OWN, 1, null, Orientation.UPRIGHT);
        assertThat(at(page, 35, 50)).as("its right half is clear").isEqualTo(at(without, 35, 50));
        assertThat(at(page, 5, 5)).isEqualTo(new char[] {65535, 65535, 65535});
        assertThat(at(page, 29, 50)).isNotEqualTo(at(without, 29, 50));
        assertThat(at(page, 31, 50)).isEqualTo(at(without, 31, 50));
    }

    @Test
    public void aMarkTurnsWithThePaperThatFeedsAcross() throws IOException {
        char[] upright = rendered(HALF, OwnMark.Ink.OWN, 1, new Rect(10, 40, 40, 20), Orientation.UPRIGHT);
        char[] across = rendered(HALF, OwnMark.Ink.OWN, 1, new Rect(10, 40, 40, 20), Orientation.QUARTER_RIGHT);
        for (int y = 0; y < 2 * PAGE; y += 3) {
            for (int x = 0; x < 2 * PAGE; x += 3) {
                int there = 3 * (x * 2 * PAGE + 2 * PAGE - 1 - y);
                same(Arrays.copyOfRange(across, there, there + 3), at(upright, x / 2.0, y / 2.0), 400);
            }
        }
    }

    @Test
    public void itDarkensOrLightensWhatLiesBelowAndBarePaperIsOnlyDarkened() throws IOException {
        char[] without = rendered(HALF, OwnMark.Ink.OWN, 1, null, Orientation.UPRIGHT);
        char[] dark = rendered(HALF, OwnMark.Ink.DARKENS, 0.5, new Rect(10, 40, 40, 20), Orientation.UPRIGHT);
        char[] light = rendered(HALF, OwnMark.Ink.LIGHTENS, 0.5, new Rect(10, 40, 40, 20), Orientation.UPRIGHT);
        assertThat((int) at(dark, 25, 50)[1]).isLessThan(at(without, 25, 50)[1]);
        assertThat((int) at(light, 25, 50)[1]).isGreaterThan(at(without, 25, 50)[1]);
        assertThat((int) at(dark, 15, 50)[1]).isLessThan(60000);
        same(at(light, 15, 50), new char[] {65535, 65535, 65535}, 30);
        char[] moved = at(dark, 25, 50);
        assertThat((double) moved[0]).as("a gray stays gray").isCloseTo(moved[1], within(60.0));
    }

    @Test
    public void aPictureWithoutTransparencyMarksWhereItIsDark() throws IOException {
        char[] codes = TO_WORKING.apply(new char[] {65535, 65535, 65535, 0, 0, 0});
        char[] premultiplied = {codes[0], codes[1], codes[2], 65535, codes[3], codes[4], codes[5], 65535};
        StampArt art = new StampArt.Bitmap(new View(2, 1, 4, premultiplied), true);
        char[] without = rendered(art, OwnMark.Ink.OWN, 1, null, Orientation.UPRIGHT);
        char[] dark = rendered(art, OwnMark.Ink.DARKENS, 1, new Rect(25, 40, 40, 20), Orientation.UPRIGHT);
        same(at(dark, 27, 50), at(without, 27, 50), 30);
        assertThat((int) at(dark, 63, 50)[1]).isLessThan(at(without, 63, 50)[1] / 4);
    }

    @Test
    public void aLineOfTextIsAsWideAsItIsAskedFor() {
        StampArt.Painted words = MarkPainters.words("Corrie Lane 2026", TO_WORKING);
        assertThat(words.aspect()).isBetween(5.0, 15.0);
        int high = (int) Math.round(300 / words.aspect());
        float[] share = words.rows(Orientation.UPRIGHT, new int[] {300, high}, 0, high).share();
        boolean left = false;
        boolean right = false;
        for (int y = 0; y < high; y++) {
            left |= share[y * 300] > 0.2 || share[y * 300 + 1] > 0.2;
            right |= share[y * 300 + 299] > 0.2 || share[y * 300 + 298] > 0.2;
        }
        assertThat(left && right).isTrue();
    }

    @Test
    public void whatADrawingCouldDoBesidesBeingDrawnIsTakenOut() {
        String safe = new String(SafeSvg.of(svg("<script>alert(1)</script><rect width='9' height='9' onclick='x()' fill='url(#a)'/>"
            + "<rect width='5' height='5' fill='url(http://elsewhere/x)'/><foreignObject/><a xlink:href='http://elsewhere'/>"
            + "<use xlink:href='http://elsewhere/y#z'/><use xlink:href='#b'/><metadata>who</metadata>").getBytes(StandardCharsets.UTF_8)),
            StandardCharsets.UTF_8);
        assertThat(safe).doesNotContain("script", "onclick", "elsewhere", "foreignObject", "who").contains("url(#a)", "#b");
    }

    @DataProvider
    public Object[][] unfit() {
        return new Object[][] {{svg("<text>name</text>"), "outlines"}, {svg("<image/>"), "picture"}, {svg("<filter id='f'/>"), "effects"},
            {svg("<style>@import 'x'</style>"), "outside"}, {"no drawing", "no SVG"},
            {"<html xmlns='http://www.w3.org/1999/xhtml'/>", "no SVG"},
            {"<!DOCTYPE svg [<!ENTITY a 'aaaaaaaa'>]>" + svg("<rect width='1' height='1'/>"), "entities"},
            {svg("<g>".repeat(65) + "</g>".repeat(65)), "more parts"}};
    }

    @Test(dataProvider = "unfit")
    public void aDrawingThatCantBeDrawnFaithfullyIsRefusedInWords(String file, String words) {
        assertThatThrownBy(() -> SafeSvg.of(file.getBytes(StandardCharsets.UTF_8))).isInstanceOf(InvalidRequest.class)
            .hasMessageContaining(words.equals("outlines") ? "text" : words);
    }

    @Test
    public void aDrawingThatShowsNothingIsRefused() {
        assertThatThrownBy(() -> drawing("<g/>")).isInstanceOf(InvalidRequest.class).hasMessageContaining("nothing");
    }
}
