package wistel.server.profiling;

import java.util.Optional;
import java.util.UUID;
import java.util.function.BooleanSupplier;
import org.springframework.stereotype.Service;
import wistel.core.icc.making.ProfileChoices;
import wistel.core.pairing.PairingVersion;
import wistel.server.print.AttemptState;
import wistel.server.print.ChartSheets;
import wistel.server.profiling.ProfilingRepository.Row;

/** From a chart to a pairing without anybody pressing a button between: for rooms in which nothing has to dry. */
@Service
public class ProfilingAtOnce {
    private static final int LOOK_MILLIS = 300;
    private static final int MOST_LOOKS = 2000;

    private final ProfilingService charts;
    private final ProfileMakingService making;
    private final ProfilingRepository profilings;
    private final ChartSheets sheets;

    ProfilingAtOnce(ProfilingService charts, ProfileMakingService making, ProfilingRepository profilings, ChartSheets sheets) {
        this.charts = charts;
        this.making = making;
        this.profilings = profilings;
        this.sheets = sheets;
    }

    /**
     * Prints a chart, reads each of its pages twice, makes the profile and keeps it.
     *
     * @param stopped asked between; what was begun stays as it is then
     * @return empty where it was stopped, or a page did not come out
     */
    public Optional<PairingVersion> make(ProfilingService.Wanted wanted, ProfilingService.Asked asked, BooleanSupplier stopped)
        throws InterruptedException {
        UUID id = charts.begin(wanted, Optional.empty(), asked, 0).id();
        int page = 0;
        for (UUID docket : profilings.dockets(id)) {
            page++;
            if (!cameOut(docket, stopped)) {
                return Optional.empty();
            }
            charts.byInstrument(id, page);
            charts.byInstrument(id, page);
        }
        making.make(id, ProfileChoices.USUAL);
        for (int i = 0; i < MOST_LOOKS && making.progressed(id).filter(p -> p.failure().isEmpty()).isPresent(); i++) {
            Thread.sleep(LOOK_MILLIS);
        }
        Row made = profilings.get(id);
        return stopped.getAsBoolean() || made.made().isEmpty() ? Optional.empty() : Optional.of(making.keep(id));
    }

    private boolean cameOut(UUID docket, BooleanSupplier stopped) throws InterruptedException {
        for (int i = 0; i < MOST_LOOKS && !stopped.getAsBoolean(); i++) {
            Optional<AttemptState> state = sheets.attempt(docket).map(a -> a.state());
            if (state.filter(s -> s == AttemptState.DONE).isPresent()) {
                return true;
            }
            Thread.sleep(LOOK_MILLIS);
        }
        return false;
    }
}
