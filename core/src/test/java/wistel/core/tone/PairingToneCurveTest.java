package wistel.core.tone;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.testng.annotations.Test;
import wistel.core.icc.profile.Intent;
import wistel.core.printer.ColourRoute;
import wistel.core.printer.DriverSettings;

public class PairingToneCurveTest {
    private static final LocalDate MEASURED = LocalDate.of(2025, 3, 14);

    private static PairingToneCurve kept(ColourRoute route, String type, String reading, String through) {
        return new PairingToneCurve(new ToneMode(route, Map.of(DriverSettings.MEDIA_TYPE, type)), Scales.scale(21, d -> d, 0, 1),
            ToneCurve.STRAIGHT, 12, MEASURED, reading, "gray", through);
    }

    private static final PairingToneCurve DRIVER = kept(new ColourRoute.DriverMonochrome(), "cotton", "r1", "");
    private static final PairingToneCurve PROFILE = kept(new ColourRoute.ByWistel(Intent.RELATIVE, true), "cotton", "r2", "profile");

    @Test
    public void afterAYearItIsOld() {
        assertThat(DRIVER.old(MEASURED.plusYears(1))).isFalse();
        assertThat(DRIVER.old(MEASURED.plusYears(1).plusDays(1))).isTrue();
    }

    /** Another profile moves the tones that went through it, not the driver's own; another media type moves both. */
    @Test
    public void itHoldsForWhatItWasMeasuredWith() {
        DriverSettings cotton = DriverSettings.of("cotton", "rear", 5);
        assertThat(DRIVER.holds(cotton, "another")).isTrue();
        assertThat(PROFILE.holds(cotton, "profile")).isTrue();
        assertThat(PROFILE.holds(cotton, "another")).isFalse();
        assertThat(DRIVER.holds(DriverSettings.of("glossy", "rear", 5), "profile")).isFalse();
    }

    @Test
    public void keysNameTheMeasurementAndWhetherItsCurveIsInForce() {
        List<PairingToneCurve> both = List.of(DRIVER, PROFILE);
        assertThat(PairingToneCurve.named(both, PROFILE.key(true))).contains(PROFILE);
        assertThat(PairingToneCurve.named(both, DRIVER.key(false))).contains(DRIVER);
        assertThat(PairingToneCurve.named(both, "r3.on")).isEmpty();
        assertThat(PairingToneCurve.isOn(DRIVER.key(true))).isTrue();
        assertThat(PairingToneCurve.isOn(DRIVER.key(false))).isFalse();
        assertThat(PairingToneCurve.of(both, PROFILE.mode())).contains(PROFILE);
        assertThat(PairingToneCurve.of(both, new ToneMode(new ColourRoute.DriverMonochrome(), Map.of()))).isEmpty();
    }
}
