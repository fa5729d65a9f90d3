package wistel.core.icc.inspection;

import static org.assertj.core.api.Assertions.assertThat;

import org.testng.annotations.Test;
import wistel.core.colour.Lab;
import wistel.core.icc.FoundProfiles;
import wistel.core.icc.MadeProfiles;
import wistel.core.icc.profile.ColourSpace;
import wistel.core.icc.profile.DeviceClass;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.LutWriter;
import wistel.core.icc.profile.ProfileReader;
import wistel.core.icc.profile.ProfileWriter;

public class ProfileJudgementTest {
    private static final int SIDE = 17;
    private static final LabCodes CODES = new LabCodes();

    /** A device whose colours are known: L* by the sum of its channels, a* and b* by their differences, with or without a fault. */
    private static IccProfile device(boolean bent, double yellower) {
        char[] there = new char[3 * SIDE * SIDE * SIDE];
        char[] back = new char[3 * SIDE * SIDE * SIDE];
        for (int i = 0; i < SIDE * SIDE * SIDE; i++) {
            double x = (double) (i / SIDE / SIDE) / (SIDE - 1);
            double y = (double) (i / SIDE % SIDE) / (SIDE - 1);
            double z = (double) (i % SIDE) / (SIDE - 1);
            double l = 100 * (x + y + z) / 3;
            // on the way from black to red, at three quarters, a step up
            double step = bent && x > 0.7 && x < 0.8 && y + z == 0 ? 6 : 0;
            CODES.put(there, i, l + step, 60 * (x - (y + z) / 2), 60 * (y - z) + (x == y && y == z ? yellower : 0));
            double lightness = 100 * x * 65535 / 65280;
            double a = (255 * y) * 65535 / 65280 - 128;
            double b = (255 * z) * 65535 / 65280 - 128;
            double red = lightness / 100 + a / 90;
            double sum = 3 * lightness / 100 - red;
            double green = (sum + b / 60) / 2;
            double[] rgb = {red, green, sum - green};
            for (int c = 0; c < 3; c++) {
                back[3 * i + c] = (char) Math.round(65535 * Math.max(0, Math.min(1, rgb[c])));
            }
        }
        char[] straight = {0, 65535};
        ProfileWriter writer = new ProfileWriter(DeviceClass.OUTPUT, ColourSpace.RGB, ColourSpace.LAB, "known", "c");
        byte[] a2b = LutWriter.lut16(3, SIDE, there, straight, straight, straight);
        byte[] b2a = LutWriter.lut16(3, SIDE, back, straight, straight, straight);
        for (String intent : new String[] {"0", "1", "2"}) {
            writer.tag("A2B" + intent, a2b).tag("B2A" + intent, b2a);
        }
        return ProfileReader.read(writer.write());
    }

    private static final class LabCodes {
        void put(char[] codes, int node, double l, double a, double b) {
            codes[3 * node] = (char) Math.round(652.8 * Math.max(0, Math.min(100, l)));
            codes[3 * node + 1] = (char) Math.round(256 * (a + 128));
            codes[3 * node + 2] = (char) Math.round(256 * (b + 128));
        }
    }

    @Test
    public void anEvenDeviceHasNoBend() {
        assertThat(ProfileJudgement.of(device(false, 0)).smoothness().kinks()).isEmpty();
    }

    /** 6 L* at one node of 17: its neighbours of 97 steps lie 1 L* on, so the node is off their line by that. */
    @Test
    public void aStepInARampIsFoundWhereItIs() {
        Smoothness found = ProfileJudgement.of(device(true, 0)).smoothness();
        Smoothness.Kink worst = found.kinks().get(0);
        assertThat(worst.where()).contains("from black to red");
        assertThat(worst.at().l()).isBetween(27.0, 33.0);
        assertThat(worst.size()).isBetween(0.5, 2.0);
    }

    @Test
    public void aTintOfGraysIsToldWhereItIs() {
        ProfileJudgement found = ProfileJudgement.of(device(false, 4));
        assertThat(found.grays()).filteredOn(g -> g.lightness() > 20 && g.lightness() < 80)
            .allSatisfy(g -> assertThat(g.came().b()).isBetween(1.5, 5.0));
    }

    @Test
    public void thereAndBackCoversWhatTheDeviceHolds() {
        ProfileJudgement found = ProfileJudgement.of(device(false, 0));
        assertThat(found.returns().stream().mapToInt(ProfileJudgement.ReturnCell::colours).sum()).isEqualTo(20_000);
        assertThat(found.returns()).allSatisfy(c -> assertThat(c.most()).isGreaterThanOrEqualTo(c.mean()));
        assertThat(found.returns()).filteredOn(c -> c.band() > 1 && c.band() < 8).allSatisfy(c -> assertThat(c.mean()).isLessThan(0.8));
    }

    /** Against its own patches: those that the profile was made from and those that were held back. */
    @Test
    public void aProfileWithItsChartIsComparedWithIt() {
        ProfileJudgement found = ProfileJudgement.of(FoundProfiles.named("skerry-baryta.icc"));
        assertThat(found.chart()).hasValueSatisfying(q -> {
            assertThat(q.heldBack()).isTrue();
            assertThat(q.quality().patches()).as("all that were held back").isEqualTo(150);
            assertThat(q.quality().mean()).isBetween(0.05, 1.0);
        });
        assertThat(found.made()).isPresent();
        assertThat(found.smoothness().circles()).isNotEmpty()
            .allSatisfy(c -> assertThat(c.device()).hasSize(180).allSatisfy(rgb -> assertThat(rgb).hasSize(3)));
    }

    @Test
    public void whatIsUnusualAboutAFileIsSaid() {
        IccProfile made = MadeProfiles.printer();
        ProfileWriter writer = new ProfileWriter(DeviceClass.OUTPUT, ColourSpace.RGB, ColourSpace.LAB, "odd", "c");
        for (String tag : new String[] {"A2B0", "A2B1", "A2B2", "B2A0", "B2A1", "B2A2"}) {
            writer.tag(tag, made.tag(tag).orElseThrow());
        }
        ProfileJudgement found = ProfileJudgement.of(ProfileReader.read(writer.tag("ownx", new byte[] {1, 2, 3, 4, 0, 0, 0, 0}).write()));
        assertThat(found.oddities()).anyMatch(o -> o.contains("(ownx)")).anyMatch(o -> o.contains("no wtpt"))
            .anyMatch(o -> o.contains("chart that it was made from"));
        assertThat(ProfileJudgement.of(made).oddities()).noneMatch(o -> o.contains("no wtpt"));
    }

    @Test
    public void huesHavePlainNames() {
        assertThat(HueNames.of(new Lab(50, 1, 1))).isEqualTo("gray");
        assertThat(HueNames.of(new Lab(50, 60, 50))).isEqualTo("red");
        assertThat(HueNames.of(new Lab(80, 0, 80))).isEqualTo("yellow");
        assertThat(HueNames.of(new Lab(50, -50, 40))).isEqualTo("green");
        assertThat(HueNames.of(new Lab(40, 10, -60))).isEqualTo("deep blue");
    }
}
