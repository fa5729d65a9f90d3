package wistel.core.docket;

import java.util.List;

/**
 * One thing that is wrong or doubtful, with what it would do to the print and how to mend it.
 *
 * @param code    stable
 * @param what    what is so
 * @param effect  what it does to the print
 * @param mends   ways out, each the whole set of decisions after it; may be empty
 */
public record Finding(String code, Severity severity, Station station, String what, String effect, List<Mend> mends) {
    /** STOP keeps the docket from being printed; LOOK wants a person's eye; NOTE is for information. */
    public enum Severity { STOP, LOOK, NOTE }

    public enum Station { PICTURE, PAPER, SIZE, PROOF, MACHINE, RELEASE }

    public record Mend(String label, DocketSpec after) {
    }

    public Finding {
        mends = List.copyOf(mends);
    }
}
