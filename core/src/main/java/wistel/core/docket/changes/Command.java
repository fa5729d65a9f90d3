package wistel.core.docket.changes;

import java.util.List;
import java.util.stream.Collectors;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.fault.InvalidRequest;

/**
 * A decision that a person makes on a docket and that may come from outside: what mends offer, and all that the API takes. Changes that
 * need what only the server knows (a pairing with its profile, a chart) aren't among these, and can't be put into {@link Together} either.
 */
public sealed interface Command extends Change
    permits DocketCommand, PictureCommand, PieceCommand, SheetCommand, GangCommand, TileCommand, WrapCommand, MachineCommand,
    Command.Together {
    int MOST_TOGETHER = 512;

    /** One of them by itself, or all of them together. */
    static Command of(List<Command> changes) {
        return changes.size() == 1 ? changes.get(0) : new Together(changes);
    }

    /** What is made together, one by one; a single one is itself. */
    static List<Command> parts(Command change) {
        return change instanceof Together together ? together.changes() : List.of(change);
    }

    /** Several things that go together, taken back together. */
    record Together(List<Command> changes) implements Command {
        public Together {
            changes = List.copyOf(changes);
            if (changes.isEmpty() || changes.size() > MOST_TOGETHER) {
                throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, changes.size() + " changes can't be made together.",
                    "Make them one after the other.");
            }
            if (changes.stream().anyMatch(Together.class::isInstance)) {
                throw new InvalidRequest(InvalidRequest.Reason.REQUEST_UNCLEAR, "Changes that are made together can't hold others again.",
                    "Name them one beside the other.");
            }
        }

        @Override
        public DocketSpec on(DocketSpec d) {
            return Change.inTurn(d, changes);
        }

        @Override
        public String words() {
            return changes.stream().map(Command::words).collect(Collectors.joining(", "));
        }
    }
}
