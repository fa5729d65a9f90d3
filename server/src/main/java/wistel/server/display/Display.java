package wistel.server.display;

import wistel.core.icc.profile.IccProfile;

/**
 * What pictures are made for.
 *
 * @param tagged whether pictures carry the profile, for a browser that converts them to its screen by itself
 */
public record Display(IccProfile profile, boolean tagged) {
}
