package wistel.core.sheet;

/** What the pieces of a test strip may differ in. */
public enum Varied {
    LIGHTNESS("lightness", 50), CONTRAST("contrast", 50), SHADOWS("shadows", 50), WARMTH("warmth", 10), TINT("tint", 10),
    /** In hundredths of the factor for all hues. */
    CHROMA("chroma", 100),
    /** Its versions, and none. */
    COMPENSATION("compensation", 0), INTENT("intent", 0), BLACK_POINT("black point", 0), SHARPENING("sharpening", 0);

    private final String word;
    private final double most;

    Varied(String word, double most) {
        this.word = word;
        this.most = most;
    }

    public String word() {
        return word;
    }

    /** It is moved by numbers; else it is one of several. */
    public boolean slides() {
        return most > 0;
    }

    /** How far it can be moved either way from nothing. */
    public double most() {
        return most;
    }
}
