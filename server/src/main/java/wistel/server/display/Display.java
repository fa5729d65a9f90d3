package wistel.server.display;

import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.StandardSpaces;

/**
 * What a picture is made for: a screen, by its profile.
 *
 * @param tagged    the picture carries the profile, and the browser converts by it; else its numbers go to the screen as they are
 * @param thumbnail nobody judges colour by it: it may lose something to be small
 */
public record Display(IccProfile profile, boolean tagged, boolean thumbnail) {
    /** For small pictures in lists. */
    public static final Display THUMBNAIL = new Display(StandardSpaces.SRGB, false, true);

    public Display(IccProfile profile, boolean tagged) {
        this(profile, tagged, false);
    }
}
