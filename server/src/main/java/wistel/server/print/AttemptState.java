package wistel.server.print;

import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Locale;

/** How far an attempt or one of its pages is. */
public enum AttemptState {
    WAITING, RENDERING, SENDING, PRINTING, DONE, FAILED, CANCELLED;

    public boolean over() {
        return this == DONE || this == FAILED || this == CANCELLED;
    }

    /** As it stands in the database and the API. */
    @JsonValue
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    static AttemptState of(String word) {
        return valueOf(word.toUpperCase(Locale.ROOT));
    }
}
