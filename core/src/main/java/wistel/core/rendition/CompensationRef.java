package wistel.core.rendition;

/** One version of a compensation, by what it is kept under. */
public record CompensationRef(String id, int version) {
}
