package wistel.core.docket.changes;

import java.util.List;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.rendition.Compensated;
import wistel.core.rendition.LocalMove;
import wistel.core.rendition.Treatment;

/** What a person decides of one picture: how it is read and treated, and what is done for the paper. */
public sealed interface PictureCommand extends Command {
    /** A missing profile was answered. */
    record ProfileConfirmed(String renditionId) implements PictureCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withRendition(d.rendition(renditionId).confirmed());
        }

        @Override
        public String words() {
            return "how the picture is read";
        }
    }

    /** In colour or in monochrome. */
    record Treated(String renditionId, Treatment treatment) implements PictureCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withRendition(d.rendition(renditionId).treated(treatment));
        }

        @Override
        public String words() {
            return treatment.words();
        }
    }

    /** Moves, their origin, and whether they are in force. */
    record Compensates(String renditionId, Compensated compensation) implements PictureCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withRendition(d.rendition(renditionId).compensated(compensation));
        }

        @Override
        public String words() {
            return compensation.on() ? compensation.words() : "without the compensation";
        }
    }

    /** Its edges, places and slopes, all of them anew. */
    record LocallyMoved(String renditionId, List<LocalMove> local) implements PictureCommand {
        public LocallyMoved {
            local = List.copyOf(local);
        }

        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withRendition(d.rendition(renditionId).locally(local));
        }

        @Override
        public String words() {
            return local.isEmpty() ? "no local moves" : local.size() == 1 ? local.get(0).words() : local.size() + " local moves";
        }
    }

    /** The curve of the monochrome mode is in force, or the tones are left as they fall. */
    record Straightens(String renditionId, boolean on) implements PictureCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withRendition(d.rendition(renditionId).straightened(on));
        }

        @Override
        public String words() {
            return on ? "tones straightened" : "tones as they fall";
        }
    }
}
