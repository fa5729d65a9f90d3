package wistel.core.icc.profile;

import java.util.Optional;
import java.util.function.DoubleUnaryOperator;

/** The plain tone curve of matrix and gray profiles, from device value to linear light. */
public final class ToneCurves {
    private ToneCurves() {
    }

    /** Empty for profiles that work by tables, and for curves that don't rise from 0 to 1. */
    public static Optional<DoubleUnaryOperator> plain(IccProfile profile) {
        return profile.tag(profile.space() == ColourSpace.GRAY ? "kTRC" : "gTRC").map(TagReader::curve)
            .filter(c -> Math.abs(c.at(0)) < 0.01 && Math.abs(c.at(1) - 1) < 0.01)
            .map(c -> c::at);
    }
}
