package wistel.core.sheet;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import wistel.core.fault.InvalidRequest;

/**
 * In what a piece of a test strip differs from its rendition as it stands. It is made when the strip is laid out and is no rendition of the
 * docket.
 *
 * @param deltas none of which is as it is; empty for the piece as it stands
 */
public record Variation(List<Delta> deltas) {
    public Variation {
        deltas = deltas.stream().filter(d -> !d.asItIs()).toList();
    }

    /** As it is written below its piece. */
    public String words() {
        return deltas.isEmpty() ? "as it is" : deltas.stream().map(Delta::words).collect(Collectors.joining(", "));
    }

    /**
     * What lies in the middle between two neighbours.
     *
     * @throws InvalidRequest when they differ in something that has no middle
     */
    public Variation middle(Variation other) {
        List<Varied> all = Stream.concat(deltas.stream(), other.deltas.stream()).map(Delta::what).distinct().toList();
        return new Variation(all.stream().map(what -> middle(what, other)).toList());
    }

    private Delta middle(Varied what, Variation other) {
        if (what.slides()) {
            return new Delta.Shift(what, (by(what) + other.by(what)) / 2);
        }
        return of(what).filter(one -> other.of(what).filter(one::equals).isPresent())
            .orElseThrow(() -> new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE,
                "These two differ in " + what.word() + ", which has no middle.", "Choose one of them."));
    }

    private Optional<Delta> of(Varied what) {
        return deltas.stream().filter(d -> d.what() == what).findFirst();
    }

    private double by(Varied what) {
        return of(what).map(d -> ((Delta.Shift) d).by()).orElse(0.0);
    }
}
