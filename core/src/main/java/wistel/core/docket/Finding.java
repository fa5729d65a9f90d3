package wistel.core.docket;

import java.util.List;

/**
 * One thing that is wrong or doubtful, with what it would do to the print and how to mend it.
 *
 * @param code   stable
 * @param stage  where it is decided
 * @param what   what is so
 * @param effect what it does to the print
 * @param mends  ways out; may be empty
 */
public record Finding(String code, Severity severity, Stage stage, String what, String effect, List<Mend> mends) {
    /** STOP keeps the docket from being printed; LOOK wants a person's eye; NOTE is for information. */
    public enum Severity { STOP, LOOK, NOTE }

    public record Mend(String label, Command change) {
    }

    public Finding {
        mends = List.copyOf(mends);
    }

    static Finding stop(Stage stage, String code, String what, String effect, Mend... mends) {
        return new Finding(code, Severity.STOP, stage, what, effect, List.of(mends));
    }

    static Finding look(Stage stage, String code, String what, String effect, Mend... mends) {
        return new Finding(code, Severity.LOOK, stage, what, effect, List.of(mends));
    }

    static Finding note(Stage stage, String code, String what, String effect, Mend... mends) {
        return new Finding(code, Severity.NOTE, stage, what, effect, List.of(mends));
    }
}
