package wistel.core.docket.changes;

import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.words.DocketPhrases;
import wistel.core.pictures.SideFill;
import wistel.core.pictures.SideMoves;
import wistel.core.sheet.Wrap;

/** What a person decides of a picture round a body. */
public sealed interface WrapCommand extends Command {
    /** Round a body. */
    record Wraps(Wrap wrap) implements WrapCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withPlan(wrap);
        }

        @Override
        public String words() {
            return DocketPhrases.wrap(wrap);
        }
    }

    /** One picture on a sheet, as large as its face was. */
    record Unwraps() implements WrapCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.with(d.wrap().unwrapped());
        }

        @Override
        public String words() {
            return "one picture on the sheet";
        }
    }

    record SidesFilled(SideFill fill) implements WrapCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withPlan(d.wrap().plan().filled(fill));
        }

        @Override
        public String words() {
            return fill.words();
        }
    }

    record SidesMoved(SideMoves moves) implements WrapCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withPlan(d.wrap().plan().moved(moves));
        }

        @Override
        public String words() {
            return moves.changesNothing() ? "sides as they are" : "sides " + DocketPhrases.sides(moves);
        }
    }
}
