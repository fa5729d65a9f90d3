package wistel.core.icc.profile;

/** Rendering intents, in the order of ICC.1:2022, table 23. */
public enum Intent {
    PERCEPTUAL, RELATIVE, SATURATION, ABSOLUTE;

    /** Which A2B/B2A table serves this intent: absolute is computed from the relative one. */
    public int table() {
        return this == ABSOLUTE ? RELATIVE.ordinal() : ordinal();
    }
}
