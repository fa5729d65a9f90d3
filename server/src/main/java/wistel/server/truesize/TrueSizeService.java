package wistel.server.truesize;

import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.Purpose;
import wistel.core.fault.Conflict;
import wistel.core.fault.InvalidRequest;
import wistel.core.length.Length;
import wistel.core.pairing.PairingVersion;
import wistel.core.paper.FeedScale;
import wistel.core.paper.FeedScale.Direction;
import wistel.core.pictures.FeedArrow;
import wistel.core.rendition.Rendition;
import wistel.core.rendition.Treatment;
import wistel.core.sheet.Ruler;
import wistel.core.sheet.SheetPlan.PixelSize;
import wistel.server.docket.DocketRepository;
import wistel.server.docket.DocketService;
import wistel.server.edge.Events;
import wistel.server.master.Master;
import wistel.server.pairing.PairingRepository;
import wistel.server.print.Attempt;
import wistel.server.print.AttemptRepository;
import wistel.server.print.AttemptState;
import wistel.server.print.ChartDockets;
import wistel.server.print.ReleaseService;

/** Prints ruled lines, and makes a pairing's next version of what a ruler says of them. */
@Service
public class TrueSizeService {

    private final RulerRepository rulers;
    private final PairingRepository pairings;
    private final DocketRepository dockets;
    private final AttemptRepository attempts;
    private final ChartDockets charts;
    private final ReleaseService releases;
    private final Events events;
    private final Clock clock;
    private final TransactionTemplate transaction;

    TrueSizeService(RulerRepository rulers, PairingRepository pairings, DocketRepository dockets, AttemptRepository attempts,
        ChartDockets charts, ReleaseService releases, Events events, Clock clock, TransactionTemplate transaction) {
        this.rulers = rulers;
        this.pairings = pairings;
        this.dockets = dockets;
        this.attempts = attempts;
        this.charts = charts;
        this.releases = releases;
        this.events = events;
        this.clock = clock;
        this.transaction = transaction;
    }

    PairingVersion pairing(UUID id) {
        return pairings.get(id.toString());
    }

    /** Nothing is kept of lines that can't be printed. */
    RulerRepository.Row print(UUID pairingId) {
        PairingVersion pairing = pairing(pairingId);
        Ruler ruler = new Ruler(DocketSpec.FIRST_ITEM, charts.heading("Ruled lines", pairing));
        Master master = charts.picture("this-end-first.tif", new ChartDockets.Grays(FeedArrow.picture(), FeedArrow.WIDTH,
            FeedArrow.HEIGHT));
        Rendition rendition = Rendition.of(DocketService.FIRST_RENDITION, master.hash()).treated(Treatment.Monochrome.NEUTRAL)
            .straightened(false);
        DocketSpec asked = DocketSpec.fresh("Ruled lines", rendition, new PixelSize(master.width(), master.height()))
            .withHeading(new DocketSpec.Heading("Ruled lines", "", new Purpose.RulerOf(pairing.pairingId()))).withPairing(pairing);
        RulerRepository.Row row = transaction.execute(t -> {
            ChartDockets.Laid laid = charts.lay(asked, ruler);
            RulerRepository.Row made = new RulerRepository.Row(UUID.randomUUID(), pairingId, laid.docket(),
                Ruler.lengths(laid.spec().stock(), laid.margins()), laid.spec().stock().name(), pairing.feedScale(), clock.instant(),
                Optional.empty());
            rulers.add(made);
            releases.release(laid.docket(), dockets.get(laid.docket()).version(), false);
            return made;
        });
        events.publish("pairing", pairing.pairingId());
        return row;
    }

    List<RulerRepository.Row> printed(UUID pairing) {
        return rulers.of(pairing);
    }

    /** The newest print of ruled lines. */
    Optional<Attempt> attempt(RulerRepository.Row ruler) {
        return attempts.ofDocket(ruler.docketId()).stream().findFirst();
    }

    /**
     * The pairing's next version by what a ruler says.
     *
     * @param across as typed, with or without a unit; empty where it wasn't measured
     */
    PairingVersion read(UUID id, String across, String along) {
        RulerRepository.Row ruler = rulers.get(id);
        if (attempt(ruler).filter(a -> a.state() == AttemptState.DONE).isEmpty()) {
            throw new Conflict(Conflict.Reason.STOPPED, "These lines aren't printed yet.", "Measure them once they lie before you.");
        }
        Optional<Double> acrossMm = length(across);
        Optional<Double> alongMm = length(along);
        if (acrossMm.isEmpty() && alongMm.isEmpty()) {
            throw new InvalidRequest(InvalidRequest.Reason.LENGTH_UNCLEAR, "No length is written.",
                "Write what the ruler says along the feed, across it, or both.");
        }
        PairingVersion before = pairing(ruler.pairingId());
        FeedScale scale = new FeedScale(
            acrossMm.map(mm -> ruler.scale().measured(Direction.ACROSS, ruler.lengths().acrossMm(), mm))
                .orElse(before.feedScale().across()),
            alongMm.map(mm -> ruler.scale().measured(Direction.ALONG, ruler.lengths().alongMm(), mm)).orElse(before.feedScale().along()));
        PairingVersion made = transaction.execute(t -> {
            PairingVersion next = pairings.add(before.withFeedScale(scale));
            rulers.read(id, new RulerRepository.Reading(acrossMm, alongMm, next.number()));
            return next;
        });
        events.publish("pairing", made.pairingId());
        return made;
    }

    /** Back to sizes as they are sent: the next version with nothing measured. */
    PairingVersion forget(UUID pairingId) {
        PairingVersion before = pairing(pairingId);
        if (before.feedScale().equals(FeedScale.NONE)) {
            return before;
        }
        PairingVersion made = pairings.add(before.withFeedScale(FeedScale.NONE));
        events.publish("pairing", made.pairingId());
        return made;
    }

    private static Optional<Double> length(String written) {
        return written.isBlank() ? Optional.empty() : Optional.of(Length.parseMm(written, Length.Unit.MM));
    }
}
