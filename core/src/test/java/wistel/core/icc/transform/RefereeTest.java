package wistel.core.icc.transform;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.color.CMMException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.colour.D50;
import wistel.core.colour.LabEncoding;
import wistel.core.icc.FoundProfiles;
import wistel.core.icc.MadeProfiles;
import wistel.core.icc.Referee;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.profile.TagReader;

/** The exact chain against the JDK's own CMM, on every profile on hand: in tests only, as an independent opinion. */
public class RefereeTest {
    private static final int COLOURS = 600;

    /** Sources that are matrix profiles, the press as source, and every profile with a way back as destination. */
    @DataProvider
    Object[][] pairs() {
        List<Object[]> pairs = new ArrayList<>();
        List<IccProfile> destinations = new ArrayList<>(FoundProfiles.devices("RGB"));
        destinations.addAll(FoundProfiles.devices("CMYK"));
        for (IccProfile destination : destinations) {
            for (IccProfile source : List.of(StandardSpaces.SRGB, FoundProfiles.press(), MadeProfiles.printer())) {
                for (Intent intent : List.of(Intent.PERCEPTUAL, Intent.RELATIVE, Intent.SATURATION)) {
                    if (destination.tags().keySet().stream().anyMatch(t -> t.startsWith("B2A") || t.equals("rTRC"))
                        && !destination.equals(source)) {
                        pairs.add(new Object[] {source, destination, intent});
                    }
                }
            }
        }
        return pairs.toArray(Object[][]::new);
    }

    private static char[] nodes(int inputs) {
        SplittableRandom random = new SplittableRandom(inputs);
        int side = Referee.nodes(inputs);
        char[] pixels = new char[inputs * COLOURS];
        for (int i = 0; i < pixels.length; i++) {
            pixels[i] = (char) Math.round(random.nextInt(side) * 65535.0 / (side - 1));
        }
        return pixels;
    }

    @Test(dataProvider = "pairs")
    public void theExactChainAgreesWithTheJdksCmm(IccProfile source, IccProfile destination, Intent intent) {
        char[] in = nodes(source.space().channels());
        char[] theirs;
        try {
            theirs = new Referee(source, destination, intent).apply(in);
        } catch (CMMException e) {
            return; // some test profiles are too small for it
        }
        Transform ours = TransformCompiler.convert(Referee.asVersion2(source), Referee.asVersion2(destination), intent, false);
        double[] difference = difference(ours, destination, in, theirs);
        assertThat(difference[0]).as("mean CIEDE2000").isLessThan(0.02);
        assertThat(difference[1]).as("largest").isLessThan(0.25);
    }

    /** A version 4 destination's perceptual intent starts at the reference medium's black, which takes black point compensation. */
    @Test
    public void perceptualIntoVersion4AgreesWithTheJdksCmmBlackIncluded() {
        for (IccProfile source : List.of(StandardSpaces.SRGB, StandardSpaces.WIDE_RGB)) {
            char[] in = nodes(3);
            char[] theirs = Referee.unmarked(source, MadeProfiles.printer()).apply(in);
            double[] difference = difference(TransformCompiler.convert(source, MadeProfiles.printer(), Intent.PERCEPTUAL, false),
                MadeProfiles.printer(), in, theirs);
            assertThat(difference[0]).isLessThan(0.02);
            assertThat(difference[1]).isLessThan(0.25);
        }
    }

    /** Sources, printers and the intent between them: three kinds of source, a press and three papers. */
    @DataProvider
    Object[][] printers() {
        List<Object[]> ways = new ArrayList<>();
        List<IccProfile> printers = new ArrayList<>(FoundProfiles.devices("RGB").stream().filter(IccProfile::isOutput).toList());
        printers.add(FoundProfiles.press());
        for (IccProfile printer : printers) {
            for (IccProfile source : List.of(StandardSpaces.SRGB, StandardSpaces.WIDE_RGB, FoundProfiles.press())) {
                for (Intent intent : List.of(Intent.PERCEPTUAL, Intent.RELATIVE, Intent.SATURATION)) {
                    if (!source.equals(printer)) {
                        ways.add(new Object[] {Referee.asVersion2(source), Referee.asVersion2(printer), intent});
                    }
                }
            }
        }
        return ways.toArray(Object[][]::new);
    }

    /** Those with the tables that absolute colorimetric takes. */
    @DataProvider
    Object[][] relativePrinters() {
        return Arrays.stream(printers()).filter(way -> way[2] == Intent.RELATIVE).toArray(Object[][]::new);
    }

    /**
     * The JDK's CMM is led through the scaling of XYZ that ISO 18619:2015 writes, between the black points that {@link BlackPointTest}
     * checks.
     */
    @Test(dataProvider = "printers")
    public void compensatedBlackAgreesWithTheJdksCmmLedThroughTheScaling(IccProfile source, IccProfile printer, Intent intent) {
        char[] in = nodes(source.space().channels());
        IccProfile scaling = scaling(BlackPoint.ofSource(source, intent), BlackPoint.ofDestination(printer, intent));
        char[] theirs = Referee.changed(source, printer, intent, scaling).apply(in);
        assertAlike(TransformCompiler.convert(source, printer, intent, true), printer, in, theirs);
    }

    /** Absolute colorimetric by hand: relative, with XYZ times the source's white over the destination's (ICC.1:2022, 6.3.2.2). */
    @Test(dataProvider = "relativePrinters")
    public void absoluteColorimetricAgreesWithTheJdksCmmLedThroughTheMediaWhites(IccProfile source, IccProfile printer, Intent relative) {
        char[] in = nodes(source.space().channels());
        char[] theirs = Referee.changed(source, printer, relative, whites(source, printer)).apply(in);
        assertAlike(TransformCompiler.convert(source, printer, Intent.ABSOLUTE, false), printer, in, theirs);
    }

    @Test(dataProvider = "printers")
    public void proofsAgreeWithTheJdksCmmInEveryView(IccProfile source, IccProfile printer, Intent intent) {
        char[] in = nodes(source.space().channels());
        IccProfile display = StandardSpaces.SRGB;
        for (ProofView view : ProofView.values()) {
            IccProfile[] changes = switch (view) {
                case INK_BLACK -> new IccProfile[0];
                case PAPER_WHITE -> new IccProfile[] {whites(printer, display)};
                case SCREEN_WHITE_AND_BLACK -> new IccProfile[] {scaling(BlackPoint.ofSource(printer, Intent.RELATIVE), new double[3])};
            };
            char[] theirs = Referee.proof(source, printer, intent, display, changes).apply(in);
            assertAlike(TransformCompiler.compile(new Recipe.Proof(source, printer, intent, false, view, display)), display, in, theirs);
        }
    }

    private static IccProfile scaling(double[] from, double[] to) {
        double[] white = {D50.X, D50.Y, D50.Z};
        double[] factors = new double[3];
        double[] offsets = new double[3];
        for (int c = 0; c < 3; c++) {
            factors[c] = (to[c] - white[c]) / (from[c] - white[c]);
            offsets[c] = -white[c] * (to[c] - from[c]) / (from[c] - white[c]);
        }
        return Referee.line(factors, offsets);
    }

    private static IccProfile whites(IccProfile from, IccProfile to) {
        double[] a = mediumWhite(from);
        double[] b = mediumWhite(to);
        return Referee.line(new double[] {a[0] / b[0], a[1] / b[1], a[2] / b[2]}, new double[3]);
    }

    private static double[] mediumWhite(IccProfile profile) {
        return profile.isOutput() ? TagReader.xyz(profile.tag("wtpt").orElseThrow()) : new double[] {D50.X, D50.Y, D50.Z};
    }

    /**
     * The offsets of the way they are led are rounded to 16 bits, which is up to 0.03 in lightness in the dark; four inks at random are
     * dark.
     */
    private static void assertAlike(Transform ours, IccProfile destination, char[] in, char[] theirs) {
        double[] difference = difference(ours, destination, in, theirs);
        assertThat(difference[0]).as("mean CIEDE2000").isLessThan(ours.inputs() == 4 ? 0.05 : 0.02);
        assertThat(difference[1]).as("largest").isLessThan(0.25);
    }

    private static double[] difference(Transform ours, IccProfile destination, char[] in, char[] theirs) {
        char[] mine = new char[theirs.length];
        ours.exact(in, 0, mine, 0, COLOURS);
        Transform look = TransformCompiler.toLab(destination);
        int n = destination.space().channels();
        double sum = 0;
        double worst = 0;
        for (int p = 0; p < COLOURS; p++) {
            double[] a = new double[n];
            double[] b = new double[n];
            for (int c = 0; c < n; c++) {
                a[c] = mine[p * n + c] / 65535.0;
                b[c] = theirs[p * n + c] / 65535.0;
            }
            double far = LabEncoding.V4.lab(look.exact(a)).deltaE2000(LabEncoding.V4.lab(look.exact(b)));
            sum += far;
            worst = Math.max(worst, far);
        }
        return new double[] {sum / COLOURS, worst};
    }
}
