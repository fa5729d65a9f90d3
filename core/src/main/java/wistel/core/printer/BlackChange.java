package wistel.core.printer;

/** What changing over from one black ink to the other takes. */
public record BlackChange(double seconds, double ml) {
}
