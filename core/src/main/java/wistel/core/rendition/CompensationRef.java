package wistel.core.rendition;

/**
 * One version of a compensation, by what it is kept under.
 *
 * @param name as it was when it was taken
 */
public record CompensationRef(String id, int version, String name) {
}
