package wistel.core.icc.inspection;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.colour.Lab;
import wistel.core.fault.ProfileException;
import wistel.core.icc.FoundProfiles;
import wistel.core.icc.MadeProfiles;
import wistel.core.icc.profile.DeviceClass;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.ProfileReader;
import wistel.core.icc.profile.ProfileWriter;
import wistel.core.icc.profile.ColourSpace;
import wistel.core.icc.profile.StandardSpaces;

public class ProfileInspectionTest {

    /** Against the made-up printer's own function, of which the profile knows only a chart. */
    @Test
    public void aGoodProfileIsToldAsWhatItIs() {
        ProfileInspection found = ProfileInspection.of(MadeProfiles.printer());
        Lab white = MadeProfiles.measured(new double[] {1, 1, 1});
        Lab black = MadeProfiles.measured(new double[] {0, 0, 0});
        assertThat(found.version()).startsWith("4.");
        assertThat(found.madeFor()).containsExactly("Made-up printer");
        assertThat(found.white().deltaE2000(white)).isLessThan(0.3);
        assertThat(found.blackL().get(Intent.RELATIVE)).isCloseTo(black.l(), within(1.0));
        assertThat(found.roundTrip().mean()).isLessThan(0.6);
        assertThat(found.roundTrip().percentile95()).isBetween(found.roundTrip().mean(), found.roundTrip().max());
        assertThat(found.neutral()).isLessThan(1);
        assertThat(found.rises()).isTrue();
        assertThat(found.missing()).isEmpty();
        assertThat(found.remarks()).isEmpty();
        assertThat(found.volume()).isGreaterThan(100_000);
    }

    private static ProfileWriter like(IccProfile profile, String... tags) {
        ProfileWriter writer = new ProfileWriter(DeviceClass.OUTPUT, ColourSpace.RGB, ColourSpace.LAB, "like", "c");
        for (String tag : tags) {
            profile.tag(tag).ifPresent(data -> writer.tag(tag, data));
        }
        return writer;
    }

    /** One paper's way there and another's way back, as a profile that was put together wrongly has them. */
    @Test
    public void directionsThatDontBelongTogetherAreNoticed() {
        IccProfile made = MadeProfiles.printer();
        IccProfile cotton = FoundProfiles.named("moss-cotton.icc");
        ProfileWriter writer = like(made, "wtpt", "A2B0", "A2B1", "A2B2");
        for (String tag : new String[] {"B2A0", "B2A1", "B2A2"}) {
            writer.tag(tag, cotton.tag(tag).orElseThrow());
        }
        ProfileInspection found = ProfileInspection.of(ProfileReader.read(writer.write()));
        assertThat(found.roundTrip().mean()).isGreaterThan(1.5);
        assertThat(found.remarks()).anyMatch(r -> r.startsWith("Its two directions don't agree"));
    }

    @Test
    public void intentsThatHaveNoTableAreNamed() {
        ProfileInspection found = ProfileInspection.of(ProfileReader.read(like(MadeProfiles.printer(), "wtpt", "A2B0", "B2A0").write()));
        assertThat(found.missing()).containsExactly(Intent.RELATIVE, Intent.SATURATION);
        assertThat(found.remarks()).anyMatch(r -> r.contains("relative and saturation"));
    }

    @DataProvider
    Object[][] others() {
        return new Object[][] {{StandardSpaces.SRGB, "not of a printer"}, {FoundProfiles.press(), "RGB profile"}};
    }

    @Test(dataProvider = "others")
    public void whatIsNoPaperIsRefusedInWords(IccProfile profile, String words) {
        assertThatExceptionOfType(ProfileException.class).isThrownBy(() -> ProfileInspection.of(profile)).satisfies(e -> {
            assertThat(e.reason()).isEqualTo(ProfileException.Reason.NOT_A_PAPER);
            assertThat(e.getMessage() + e.next()).contains(words);
        });
    }
}
