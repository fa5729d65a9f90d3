package wistel.standin.room;

/** What keeps it from printing until somebody sees to it. */
public enum Trouble {
    NONE("none"), JAM("media-jam-error"), COVER("cover-open-error");

    private final String reason;

    Trouble(String reason) {
        this.reason = reason;
    }

    public String reason() {
        return reason;
    }
}
