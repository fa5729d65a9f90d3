package wistel.server.print;

/** What "exactly this again" would send to the printer. */
public enum Reprint {
    /** The very files that were printed. */
    KEPT,
    /** Files made again from the order, by the version of the renderer that made them then: the same to the byte. */
    SAME,
    /** Files made by a newer version of the renderer; how they differ is told before they are printed. */
    ANEW
}
