package wistel.core.pictures;

/** The parabola through three equally spaced values. */
final class Parabola {
    private Parabola() {
    }

    /** Where it is least or most, from the middle value, whose neighbours are both above it or both below it; -0.5 to 0.5. */
    static double vertex(double before, double at, double after) {
        double bend = before - 2 * at + after;
        return bend == 0 ? 0 : Math.max(-0.5, Math.min(0.5, (before - after) / (2 * bend)));
    }
}
