package wistel.core.icc.transform;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.color.CMMException;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.icc.FoundProfiles;
import wistel.core.icc.MadeProfiles;
import wistel.core.icc.Referee;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.LabCode;
import wistel.core.icc.profile.StandardSpaces;

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
                    if (destination.tags().keySet().stream().anyMatch(t -> t.startsWith("B2A") || t.equals("rTRC")) && !destination.equals(source)) {
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
            double[] difference = difference(TransformCompiler.convert(source, MadeProfiles.printer(), Intent.PERCEPTUAL, false), MadeProfiles.printer(), in, theirs);
            assertThat(difference[0]).isLessThan(0.02);
            assertThat(difference[1]).isLessThan(0.25);
        }
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
            double far = LabCode.lab(look.exact(a)).deltaE2000(LabCode.lab(look.exact(b)));
            sum += far;
            worst = Math.max(worst, far);
        }
        return new double[] {sum / COLOURS, worst};
    }
}
