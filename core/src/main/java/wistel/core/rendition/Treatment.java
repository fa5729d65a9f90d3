package wistel.core.rendition;

/** How a picture is seen before its colour is converted. */
public sealed interface Treatment {
    /** In its own colours. */
    record Colour() implements Treatment {
    }
}
