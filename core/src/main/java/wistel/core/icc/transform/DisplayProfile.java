package wistel.core.icc.transform;

import wistel.core.fault.ProfileException;
import wistel.core.icc.profile.ColourSpace;
import wistel.core.icc.profile.DeviceClass;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;

/** What a person brings as the profile of their own screen. */
public final class DisplayProfile {
    private DisplayProfile() {
    }

    /**
     * The same profile, when pictures can be made for it.
     *
     * @throws ProfileException that says what it is instead, or which way it lacks
     */
    public static IccProfile checked(IccProfile profile) {
        String name = "'" + profile.description() + "'";
        if (profile.deviceClass() == DeviceClass.OUTPUT) {
            throw refused(name + " is the profile of a printer and its paper, not of a screen.");
        }
        if (profile.deviceClass() == DeviceClass.INPUT) {
            throw refused(name + " is the profile of a scanner or camera, not of a screen.");
        }
        if (profile.deviceClass() != DeviceClass.DISPLAY && profile.deviceClass() != DeviceClass.CONVERSION) {
            throw refused(name + " describes no screen.");
        }
        if (profile.space() != ColourSpace.RGB) {
            throw refused(name + " is not for red, green and blue, as screens are.");
        }
        TransformCompiler.compile(new Recipe.DeviceToLab(profile, true));
        TransformCompiler.compile(new Recipe.FromLab(profile, Intent.ABSOLUTE));
        return profile;
    }

    private static ProfileException refused(String what) {
        return new ProfileException(ProfileException.Reason.NOT_A_DISPLAY, what,
            "Choose the profile that was made by measuring this screen.");
    }
}
