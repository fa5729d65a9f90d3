package wistel.core.pairing;

import java.util.List;
import java.util.Optional;
import wistel.core.colour.Lab;
import wistel.core.fault.InvalidRequest;
import wistel.core.icc.profile.Intent;
import wistel.core.paper.FeedScale;
import wistel.core.paper.PaperBody;
import wistel.core.printer.DriverSettings;
import wistel.core.tone.PairingToneCurve;

/**
 * What belongs together to print well on one paper in one printer, as it stood once. A version is never changed, only followed by the next.
 *
 * @param pairingId   the server's
 * @param number      1 for the first
 * @param paper       the paper's name
 * @param surface     how the paper looks: "baryta gloss", "cotton matte"
 * @param body        the paper's, to handle
 * @param settings    to be set on the printer; the media type is part of the profile's identity
 * @param intent      the usual one
 * @param whiteLab    the paper's own colour, absolute L*a*b*, from its profile
 * @param blackL      L* of its deepest black, from its profile
 * @param feedScale   how long a millimetre that is sent comes out; of nothing measured none
 * @param curves      what wedges told of its monochrome modes, one of each
 * @param inks        the set that the profile was made with; empty for the printer maker's own
 */
public record PairingVersion(String pairingId, int number, String printerId, String printerName, String paper, String surface,
    PaperBody body, DriverSettings settings,
    String profileHash, Intent intent, List<Double> whiteLab, double blackL, FeedScale feedScale, List<PairingToneCurve> curves,
    String inks) {
    private static final int LONGEST_INKS = 120;

    /** @throws IllegalArgumentException when the number isn't positive or the white isn't a colour */
    public PairingVersion {
        curves = List.copyOf(curves);
        whiteLab = List.copyOf(whiteLab);
        if (number < 1 || whiteLab.size() != 3) {
            throw new IllegalArgumentException("version " + number + ", white of " + whiteLab.size() + " values");
        }
    }

    /** With no wedge and no feed measured, in the maker's own inks. */
    public PairingVersion(String pairingId, int number, String printerId, String printerName, String paper, String surface, PaperBody body,
        DriverSettings settings,
        String profileHash, Intent intent, Lab white, double blackL) {
        this(pairingId, number, printerId, printerName, paper, surface, body, settings, profileHash, intent,
            List.of(white.l(), white.a(), white.b()), blackL, FeedScale.NONE, List.of(), "");
    }

    public Lab white() {
        return new Lab(whiteLab.get(0), whiteLab.get(1), whiteLab.get(2));
    }

    public PairingVersion withCurves(List<PairingToneCurve> next) {
        return new PairingVersion(pairingId, number, printerId, printerName, paper, surface, body, settings, profileHash, intent, whiteLab,
            blackL, feedScale, next, inks);
    }

    public PairingVersion withFeedScale(FeedScale next) {
        return new PairingVersion(pairingId, number, printerId, printerName, paper, surface, body, settings, profileHash, intent, whiteLab,
            blackL, next, curves, inks);
    }

    public PairingVersion withInks(String next) {
        return new PairingVersion(pairingId, number, printerId, printerName, paper, surface, body, settings, profileHash, intent, whiteLab,
            blackL, feedScale, curves, next);
    }

    /**
     * A set of inks as it was typed.
     *
     * @throws InvalidRequest when its name is too long
     */
    public static String inks(Optional<String> asked) {
        String inks = asked.map(String::strip).orElse("");
        return inks.isEmpty() ? "" : InvalidRequest.named(inks, "An ink set's name", LONGEST_INKS);
    }

    /** The same, its paper being that of another pairing. */
    public PairingVersion onPaper(PairingVersion other) {
        return new PairingVersion(pairingId, number, printerId, printerName, other.paper, other.surface, other.body, settings, profileHash,
            intent, whiteLab, blackL, feedScale, curves, inks);
    }

    /**
     * With what was measured of the version before: all of that stays which doesn't hang on a profile, printer, paper, ink set or media type
     * that is another one now.
     */
    public PairingVersion following(PairingVersion before) {
        boolean sameFeed = before.printerId.equals(printerId) && before.paper.equals(paper)
            && before.settings.mediaType().equals(settings.mediaType());
        boolean sameInks = before.inks.equals(inks);
        return withCurves(before.curves.stream().filter(k -> sameInks && k.holds(settings, profileHash)).toList())
            .withFeedScale(sameFeed ? before.feedScale : FeedScale.NONE);
    }

    /** As a mode's scale prints on it that a wedge told: its profile of grays in place of the paper's own. */
    public PairingVersion byScale(PairingToneCurve curve) {
        return new PairingVersion(pairingId, number, printerId, printerName, paper, surface, body, settings, curve.profileHash(), intent,
            curve.scale().paper(),
            curve.scale().black().l()).withFeedScale(feedScale).withCurves(curves).withInks(inks);
    }

    /** Its profile is one of grays, for the printer's own monochrome mode. */
    public boolean grayOnly() {
        return settings.monochrome();
    }
}
