package wistel.core.tone;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import wistel.core.printer.DriverSettings;

/**
 * What is known of one mode's tones on a pairing: how its wedge measured, and the curve that straightens it.
 *
 * @param scale       as it was measured without the curve, from paper to black
 * @param readingHash of the reading's file; it names the whole
 * @param profileHash of the scale as a profile of grays, by which the mode is proofed where no other profile tells its tones
 * @param through     hash of the profile that gray was sent through; empty for the driver's own mode
 */
public record PairingToneCurve(ToneMode mode, ToneScale scale, ToneCurve curve, int wedge, LocalDate measured, String readingHash,
    String profileHash, String through) {
    private static final int MONTHS_GOOD = 12;

    /** Whether it still tells of a pairing with other settings and another profile. */
    public boolean holds(DriverSettings settings, String pairedProfile) {
        return mode.settings().getOrDefault(DriverSettings.MEDIA_TYPE, "").equals(settings.mediaType())
            && (through.isEmpty() || through.equals(pairedProfile));
    }

    /** Heads, inks and papers drift: after a year it wants to be checked. */
    public boolean old(LocalDate today) {
        return measured.plusMonths(MONTHS_GOOD).isBefore(today);
    }

    private static final String ON = ".on";

    /** Names a proof by it, with the curve or as the tones fall. */
    public String key(boolean on) {
        return readingHash + (on ? ON : ".off");
    }

    /** What a key names, if it is among these. */
    public static Optional<PairingToneCurve> named(List<PairingToneCurve> all, String key) {
        return all.stream().filter(k -> k.key(true).equals(key) || k.key(false).equals(key)).findFirst();
    }

    public static boolean isOn(String key) {
        return key.endsWith(ON);
    }

    /** That of a mode, if it is among these. */
    public static Optional<PairingToneCurve> of(List<PairingToneCurve> all, ToneMode mode) {
        return all.stream().filter(k -> k.mode.equals(mode)).findFirst();
    }
}
