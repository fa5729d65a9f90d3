package wistel.core.rendition;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.colour.CieDe2000;
import wistel.core.colour.D50;
import wistel.core.colour.Lab;
import wistel.core.colour.LabEncoding;
import wistel.core.fault.ProfileException;
import wistel.core.icc.profile.ColourSpace;
import wistel.core.icc.profile.DeviceClass;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.LutWriter;
import wistel.core.icc.profile.ProfileReader;
import wistel.core.icc.profile.ProfileWriter;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.profile.TagWriter;
import wistel.core.icc.stage.LabFunction;
import wistel.core.icc.transform.Transform;
import wistel.core.icc.transform.TransformCompiler;

public class AbstractProfileTest {
    private static final ToneMoves TONES = new ToneMoves(30, -10, 15, 20, 5, 40);
    private static final ChromaMoves CHROMA = new ChromaMoves(1.15,
        List.of(new ChromaMoves.HuePoint(25, 1.3, 8, 3), new ChromaMoves.HuePoint(145, 0.7, -10, -5),
            new ChromaMoves.HuePoint(260, 1.1, 5, 6)));

    @DataProvider
    Object[][] compensations() {
        return new Object[][] {{List.of(TONES)}, {List.of(CHROMA)}, {List.of(new Warmth(6, -3))},
            {List.of(new LightnessCurve(
                List.of(new LightnessCurve.TonePoint(0, 4), new LightnessCurve.TonePoint(30, 42), new LightnessCurve.TonePoint(100, 98))),
                TONES, CHROMA, new Warmth(-4, 2))}};
    }

    private static double plainBlack(List<Move> moves) {
        double[] lab = new double[3];
        new RenditionChange(new Treatment.Colour(), moves).apply(lab, 0);
        return lab[0];
    }

    private static byte[] written(List<Move> moves) {
        return AbstractProfile.write(new Compensation("x", 1, "cotton, night", moves), "own".getBytes(StandardCharsets.UTF_8));
    }

    /**
     * The table, read by the ordinary way of any abstract profile, against the plain functions, for colours of sRGB, dark ones twice as
     * often, that stay within what L*a*b* codes hold.
     */
    @Test(dataProvider = "compensations")
    public void aWrittenTableDoesWhatTheMovesDo(List<Move> moves) {
        IccProfile profile = ProfileReader.read(written(moves));
        assertThat(profile.deviceClass()).isEqualTo(DeviceClass.ABSTRACT);
        assertThat(profile.description()).isEqualTo("cotton, night");
        Transform table = TransformCompiler.link(profile);
        Transform toLab = TransformCompiler.toLab(StandardSpaces.SRGB);
        LabFunction plain = new RenditionChange(new Treatment.Colour(), moves);
        SplittableRandom random = new SplittableRandom(4);
        double[] errors = new double[20_000];
        for (int i = 0; i < errors.length; i++) {
            double gray = random.nextDouble() * (i % 2 == 0 ? 1 : 0.1);
            double spread = i % 3 == 0 ? 1 : 0.3;
            double[] rgb = new double[3];
            Arrays.setAll(rgb, c -> Math.max(0, Math.min(1, gray + spread * (random.nextDouble() - 0.5))));
            Lab in = LabEncoding.V4.lab(toLab.exact(rgb));
            double[] wanted = in.toArray();
            plain.apply(wanted, 0);
            if (Math.max(Math.abs(wanted[1]), Math.abs(wanted[2])) > 115) {
                continue;
            }
            Lab got = LabEncoding.V4.lab(table.exact(in.l() / 100, (in.a() + 128) / 255, (in.b() + 128) / 255));
            errors[i] = CieDe2000.between(wanted[0], wanted[1], wanted[2], got.l(), got.a(), got.b());
        }
        Arrays.sort(errors);
        assertThat(Arrays.stream(errors).average().orElseThrow()).isLessThan(0.05);
        // where black is lifted, what lies just above it is steeper than nodes are near
        boolean lifted = plainBlack(moves) > 0;
        assertThat(errors[(int) (0.999 * errors.length)]).isLessThan(lifted ? 0.6 : 0.2);
        assertThat(errors[errors.length - 1]).as("the largest").isLessThan(lifted ? 1.5 : 0.5);
    }

    @Test
    public void whatWasPutInsideComesBack() {
        assertThat(AbstractProfile.own(ProfileReader.read(written(List.of(TONES)))))
            .hasValueSatisfying(own -> assertThat(new String(own, StandardCharsets.UTF_8)).isEqualTo("own"));
        assertThat(AbstractProfile.own(StandardSpaces.SRGB)).isEmpty();
    }

    /** As if somebody else had written the table: nothing but the table is looked at. */
    @Test(dataProvider = "compensations")
    public void movesAreFoundThatDoWhatATableDoes(List<Move> moves) {
        AbstractProfile.Found found = AbstractProfile.read(ProfileReader.read(written(moves)));
        assertThat(found.mean()).as(Move.words(found.moves())).isLessThan(0.8);
        assertThat(found.most()).isLessThan(6);
    }

    @Test
    public void aTableThatChangesNothingGivesNoMoves() {
        assertThat(AbstractProfile.read(ProfileReader.read(written(List.of()))).moves()).isEmpty();
    }

    /** Lights for darks is no move: no curve may turn back. */
    @Test
    public void whatMovesCantDoIsRefused() {
        char[] nodes = new char[24];
        for (int n = 0; n < 8; n++) {
            nodes[3 * n] = (char) ((n >> 2) == 0 ? 0xFF00 : 0);
            nodes[3 * n + 1] = (char) ((n >> 1 & 1) * 65535);
            nodes[3 * n + 2] = (char) ((n & 1) * 65535);
        }
        byte[] negative = new ProfileWriter(DeviceClass.ABSTRACT, ColourSpace.LAB, ColourSpace.LAB, "negative", "c")
            .tag("wtpt", TagWriter.xyz(D50.X, D50.Y, D50.Z))
            .tag("A2B0", LutWriter.lut16(3, 3, 2, nodes)).write();
        assertThatExceptionOfType(ProfileException.class).isThrownBy(() -> AbstractProfile.read(ProfileReader.read(negative)))
            .satisfies(e -> assertThat(e.reason()).isEqualTo(ProfileException.Reason.BEYOND_MOVES));
        assertThatExceptionOfType(ProfileException.class).isThrownBy(() -> AbstractProfile.read(StandardSpaces.SRGB))
            .satisfies(e -> assertThat(e.reason()).isEqualTo(ProfileException.Reason.NOT_ABSTRACT));
    }
}
