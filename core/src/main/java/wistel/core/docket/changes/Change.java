package wistel.core.docket.changes;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.fault.InvalidRequest;
import wistel.core.pairing.PairingVersion;
import wistel.core.paper.Stock;
import wistel.core.printer.DriverSettings;
import wistel.core.rendition.Compensated;
import wistel.core.sheet.Chart;

/** One change of a docket: what a person did, and what undo says it takes back. {@link Command} is what may come from outside. */
public sealed interface Change permits Command, Change.Charted, Change.Paired, Change.PairedWith {
    /** @throws InvalidRequest when it can't be done to this docket */
    DocketSpec on(DocketSpec d);

    /** Short, as it stands behind "Undo:" and "Redo:". */
    String words();

    /** Laid out as a chart to be measured or judged, on a stock that this feed takes. */
    record Charted(Chart chart, Stock stock, String feed) implements Change {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withPlan(chart).withStock(stock).withSettings(d.settings().with(DriverSettings.FEED, feed));
        }

        @Override
        public String words() {
            return "laid out as a chart";
        }
    }

    /**
     * A pairing was chosen, with all that hangs on it.
     *
     * @param usual what pictures without moves start with on it; empty when that is nothing
     */
    record Paired(PairingVersion pairing, Optional<Compensated> usual) implements Change {
        public Paired(PairingVersion pairing) {
            this(pairing, Optional.empty());
        }

        @Override
        public DocketSpec on(DocketSpec d) {
            DocketSpec paired = d.withPairing(pairing);
            return usual.isEmpty() ? paired
                : paired.withRenditions(
                    paired.renditions().stream().map(r -> r.compensation().moves().isEmpty() ? r.compensated(usual.get()) : r).toList());
        }

        @Override
        public String words() {
            return "paper " + pairing.paper();
        }
    }

    /**
     * A pairing was chosen, and what had to change along with it.
     *
     * @param along may be empty
     */
    record PairedWith(Paired paired, List<Command> along) implements Change {
        public PairedWith {
            along = List.copyOf(along);
        }

        @Override
        public DocketSpec on(DocketSpec d) {
            DocketSpec next = paired.on(d);
            for (Command change : along) {
                next = change.on(next);
            }
            return next;
        }

        @Override
        public String words() {
            return Stream.concat(Stream.of(paired.words()), along.stream().map(Command::words)).collect(Collectors.joining(", "));
        }
    }
}
