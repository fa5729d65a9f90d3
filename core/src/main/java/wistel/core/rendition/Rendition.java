package wistel.core.rendition;

/**
 * A master seen through one treatment.
 *
 * @param id               among the renditions of its docket
 * @param masterHash       of the picture file
 * @param profileConfirmed true once a missing profile was answered: the picture is then read as what is assumed of its kind
 */
public record Rendition(String id, String masterHash, Treatment treatment, boolean profileConfirmed) {
    public static Rendition of(String id, String masterHash) {
        return new Rendition(id, masterHash, new Treatment.Colour(), false);
    }

    public Rendition confirmed() {
        return new Rendition(id, masterHash, treatment, true);
    }
}
