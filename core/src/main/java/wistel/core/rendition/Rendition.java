package wistel.core.rendition;

/**
 * A master seen through one treatment and one compensation.
 *
 * @param id               among the renditions of its docket
 * @param masterHash       of the picture file
 * @param profileConfirmed true once a missing profile was answered: the picture is then read as what is assumed of its kind
 * @param straightened     where it is monochrome, the curve of the pairing and mode is in force, if there is one
 */
public record Rendition(String id, String masterHash, Treatment treatment, Compensated compensation, boolean profileConfirmed,
    boolean straightened) {
    public static Rendition of(String id, String masterHash) {
        return new Rendition(id, masterHash, new Treatment.Colour(), Compensated.NONE, false, true);
    }

    /** The same under another id. */
    public Rendition as(String nextId) {
        return new Rendition(nextId, masterHash, treatment, compensation, profileConfirmed, straightened);
    }

    public Rendition confirmed() {
        return new Rendition(id, masterHash, treatment, compensation, true, straightened);
    }

    public Rendition treated(Treatment next) {
        return new Rendition(id, masterHash, next, compensation, profileConfirmed, straightened);
    }

    public Rendition compensated(Compensated next) {
        return new Rendition(id, masterHash, treatment, next, profileConfirmed, straightened);
    }

    public Rendition straightened(boolean on) {
        return new Rendition(id, masterHash, treatment, compensation, profileConfirmed, on);
    }

    /** What happens to its colours before they are converted, without what straightens a monochrome mode. */
    public RenditionChange change() {
        return new RenditionChange(treatment, compensation.inForce());
    }
}
