package wistel.core.rendition;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ForkJoinPool;
import java.util.stream.Stream;
import javax.imageio.stream.FileImageInputStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.ProfileReader;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.transform.Recipe;
import wistel.core.icc.transform.Transform;
import wistel.core.icc.transform.TransformCompiler;
import wistel.core.pictures.Histogram;
import wistel.core.pictures.PictureFile;
import wistel.core.pictures.View;
import wistel.core.render.PictureLight;

/** The demo's pictures on its papers: what is suggested comes closer, and opens no shadow at the cost of another. */
public class SuggestionTest {
    private static final Path DEMO = Path.of("../demo");
    private final List<Suggestion.Found> wanting = new ArrayList<>();

    @DataProvider
    Object[][] picturesOnPapers() throws IOException {
        List<Object[]> all = new ArrayList<>();
        try (Stream<Path> pictures = Files.list(DEMO.resolve("pictures"))) {
            List<Path> profiles = Stream.of("moss-cotton", "tarn-canvas")
                .map(p -> DEMO.resolve("profiles").resolve(p + ".icc")).toList();
            pictures.sorted().forEach(picture -> profiles.forEach(profile -> all.add(new Object[] {picture, profile})));
        }
        return all.toArray(Object[][]::new);
    }

    /** A demo picture, small, and its colours in L*a*b*. */
    private record Seen(View view, Transform wanted) {
        static Seen of(Path file) {
            PictureFile picture = PictureFile.open(() -> {
                try {
                    return new FileImageInputStream(file.toFile());
                } catch (IOException e) {
                    throw new UncheckedIOException(e);
                }
            });
            byte[] embedded = picture.facts().profile();
            IccProfile source = embedded.length > 0 ? ProfileReader.read(embedded) : StandardSpaces.assumedFor(picture.facts().channels());
            View view = View.fitting(picture.rows(), 320, PictureLight.of(source), new Histogram.Counter(picture.facts().channels()),
                ForkJoinPool.commonPool());
            return new Seen(view, TransformCompiler.compile(new Recipe.DeviceToLab(source, false)));
        }
    }

    private record Printed(Transform nearest, Transform print) {
        static Printed of(Path profile) {
            try {
                IccProfile paper = ProfileReader.read(Files.readAllBytes(profile));
                return new Printed(
                    TransformCompiler.compile(new Recipe.ProofToLab(RenditionCompiler.WORKING, paper, Intent.RELATIVE, false, false)),
                    TransformCompiler.compile(new Recipe.ProofToLab(RenditionCompiler.WORKING, paper, Intent.RELATIVE, true, false)));
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }

    private static final Map<Path, Seen> SEEN = new ConcurrentHashMap<>();
    private static final Map<Path, Printed> PRINTED = new ConcurrentHashMap<>();

    private static Suggestion.Found suggested(Path file, Path profile, Suggestion.Goal goal) {
        Seen seen = SEEN.computeIfAbsent(file, Seen::of);
        Printed on = PRINTED.computeIfAbsent(profile, Printed::of);
        return Suggestion.of(wanted(seen.view, seen.wanted), seen.view.channels() == 1, new Suggestion.Ways(on.nearest, on.print), goal);
    }

    private static View wanted(View picture, Transform toLab) {
        return new View(picture.width(), picture.height(), 3, toLab.apply(picture.pixels()));
    }

    /** The promises, and that moves stay few. */
    @Test(dataProvider = "picturesOnPapers")
    public void theMeanNeverGetsWorseAndNoShadowIsLost(Path picture, Path profile) {
        for (Suggestion.Goal goal : Suggestion.Goal.values()) {
            long began = System.nanoTime();
            Suggestion.Found found = suggested(picture, profile, goal);
            Suggestion.Closeness before = found.before();
            Suggestion.Closeness after = found.after();
            System.out.printf(Locale.ROOT,
                "%s on %s, %s: mean %.2f to %.2f, apart %d to %d, dark %d to %d, blocked %.1f to %.1f %%, %d ms%n",
                picture.getFileName(), profile.getFileName(), goal, before.mean(), after.mean(), before.apart(), after.apart(),
                before.darkApart(), after.darkApart(), 100 * before.blocked(), 100 * after.blocked(),
                (System.nanoTime() - began) / 1_000_000);
            assertThat(after.mean()).isLessThanOrEqualTo(before.mean());
            assertThat(after.apart()).isGreaterThanOrEqualTo(before.apart());
            assertThat(after.darkApart()).isGreaterThanOrEqualTo(before.darkApart());
            assertThat(after.blocked()).isLessThanOrEqualTo(before.blocked());
            assertThat(found.moves().size()).isLessThanOrEqualTo(3);
            if (before.mean() > 1 && goal == Suggestion.Goal.CLOSEST) {
                wanting.add(found);
            }
        }
    }

    /** Where the mean was above 1 it falls by a fifth or more in half of the cases. */
    @Test(dependsOnMethods = "theMeanNeverGetsWorseAndNoShadowIsLost")
    public void whereMuchWasWantingAFifthOfItGoes() {
        assertThat(wanting).isNotEmpty();
        assertThat(wanting.stream().filter(f -> f.after().mean() <= 0.8 * f.before().mean()).count())
            .isGreaterThanOrEqualTo(wanting.size() / 2);
    }

    /**
     * A night sky: nearly all of it within a few L* of black, with faint structure and some stars. Chasing the master's black drowned it: of
     * 48 tones six stayed apart.
     */
    @Test
    public void aStarFieldOnCottonKeepsItsStars() {
        SplittableRandom random = new SplittableRandom(9);
        int width = 300;
        char[] pixels = new char[3 * width * 200];
        for (int i = 0; i < width * 200; i++) {
            double cloud = 0.004 + 0.012 * (1 + Math.sin(i % width / 31.0) * Math.cos(i / width / 23.0)) + 0.003 * random.nextDouble();
            double light = random.nextInt(400) == 0 ? 0.2 + 0.8 * random.nextDouble() : cloud;
            for (int c = 0; c < 3; c++) {
                pixels[3 * i + c] = (char) (65535 * Math.min(1, Math.pow(light, 1 / 2.2) * (c == 2 ? 1.1 : 1)));
            }
        }
        Transform wanted = TransformCompiler.compile(new Recipe.DeviceToLab(StandardSpaces.SRGB, false));
        Printed on = PRINTED.computeIfAbsent(DEMO.resolve("profiles/moss-cotton.icc"), Printed::of);
        for (Suggestion.Goal goal : Suggestion.Goal.values()) {
            Suggestion.Found found = Suggestion.of(wanted(new View(width, 200, 3, pixels), wanted), false,
                new Suggestion.Ways(on.nearest, on.print), goal);
            assertThat(found.after().darkApart()).isGreaterThanOrEqualTo(found.before().darkApart());
            assertThat(found.after().apart()).isGreaterThanOrEqualTo(found.before().apart());
            assertThat(found.after().blocked()).isLessThanOrEqualTo(found.before().blocked());
        }
    }

    @Test
    public void theSameQuestionGetsTheSameAnswer() {
        Path picture = DEMO.resolve("pictures/harbour-last-ferry.jpg");
        Path profile = DEMO.resolve("profiles/moss-cotton.icc");
        assertThat(suggested(picture, profile, Suggestion.Goal.CLOSEST)).isEqualTo(suggested(picture, profile, Suggestion.Goal.CLOSEST));
    }

    /** One pixel, and one colour everywhere: there are no steps to keep. */
    @Test
    public void aPictureWithoutStepsIsTaken() {
        Transform wanted = TransformCompiler.compile(new Recipe.DeviceToLab(StandardSpaces.SRGB, false));
        Printed on = PRINTED.computeIfAbsent(DEMO.resolve("profiles/moss-cotton.icc"), Printed::of);
        Suggestion.Ways ways = new Suggestion.Ways(on.nearest, on.print);
        assertThat(Suggestion.of(wanted(new View(1, 1, 3, new char[3]), wanted), false, ways, Suggestion.Goal.CLOSEST).after().apart())
            .isZero();
        assertThat(
            Suggestion.of(wanted(new View(20, 20, 3, new char[1200]), wanted), false, ways, Suggestion.Goal.SHADOWS_OPEN).after().blocked())
            .isLessThanOrEqualTo(1);
    }
}
