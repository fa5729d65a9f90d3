package wistel.core.rendition;

/**
 * A master seen through one treatment and one compensation.
 *
 * @param id               among the renditions of its docket
 * @param masterHash       of the picture file
 * @param profileConfirmed true once a missing profile was answered: the picture is then read as what is assumed of its kind
 */
public record Rendition(String id, String masterHash, Treatment treatment, Compensated compensation, boolean profileConfirmed) {
    public static Rendition of(String id, String masterHash) {
        return new Rendition(id, masterHash, new Treatment.Colour(), Compensated.NONE, false);
    }

    public Rendition confirmed() {
        return new Rendition(id, masterHash, treatment, compensation, true);
    }

    public Rendition treated(Treatment next) {
        return new Rendition(id, masterHash, next, compensation, profileConfirmed);
    }

    public Rendition compensated(Compensated next) {
        return new Rendition(id, masterHash, treatment, next, profileConfirmed);
    }

    /** What happens to its colours before they are converted. */
    public RenditionChange change() {
        return new RenditionChange(treatment, compensation.inForce());
    }
}
