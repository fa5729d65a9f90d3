package wistel.core.rendition;

import java.util.List;
import java.util.stream.Collectors;
import wistel.core.fault.InvalidRequest;

/**
 * A master seen through one treatment, one compensation and the local moves of this picture.
 *
 * @param id               among the renditions of its docket
 * @param masterHash       of the picture file
 * @param profileConfirmed true once a missing profile was answered: the picture is then read as what is assumed of its kind
 * @param straightened     where it is monochrome, the curve of the pairing and mode is in force, if there is one
 * @param local            in the order in which they are run
 */
public record Rendition(String id, String masterHash, Treatment treatment, Compensated compensation, boolean profileConfirmed,
    boolean straightened, List<LocalMove> local) {
    public static final int MOST_LOCAL = 12;

    /** @throws InvalidRequest when there are too many local moves */
    public Rendition {
        local = List.copyOf(local);
        if (local.size() > MOST_LOCAL) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, local.size() + " places, edges and slopes are more than can be.",
                "Keep up to " + MOST_LOCAL + " of a picture.");
        }
    }

    public static Rendition of(String id, String masterHash) {
        return new Rendition(id, masterHash, new Treatment.Colour(), Compensated.NONE, false, true, List.of());
    }

    public Rendition locally(List<LocalMove> next) {
        return new Rendition(id, masterHash, treatment, compensation, profileConfirmed, straightened, next);
    }

    /** Its local moves that are in force; blank where none are. */
    public String localWords() {
        return local.stream().filter(LocalMove::on).map(LocalMove::words).collect(Collectors.joining("; "));
    }

    /** The same of another state of its picture. */
    public Rendition of(String nextMasterHash) {
        return new Rendition(id, nextMasterHash, treatment, compensation, profileConfirmed, straightened, local);
    }

    /** The same under another id. */
    public Rendition as(String nextId) {
        return new Rendition(nextId, masterHash, treatment, compensation, profileConfirmed, straightened, local);
    }

    public Rendition confirmed() {
        return new Rendition(id, masterHash, treatment, compensation, true, straightened, local);
    }

    public Rendition treated(Treatment next) {
        return new Rendition(id, masterHash, next, compensation, profileConfirmed, straightened, local);
    }

    public Rendition compensated(Compensated next) {
        return new Rendition(id, masterHash, treatment, next, profileConfirmed, straightened, local);
    }

    public Rendition straightened(boolean on) {
        return new Rendition(id, masterHash, treatment, compensation, profileConfirmed, on, local);
    }

    /** What happens to its colours before they are converted, without what straightens a monochrome mode; local moves among it. */
    public RenditionChange change() {
        return new RenditionChange(treatment, compensation.inForce()).locally(local);
    }
}
