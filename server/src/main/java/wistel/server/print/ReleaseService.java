package wistel.server.print;

import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.Priority;
import com.github.kagkarlsson.scheduler.task.TaskInstance;
import com.github.kagkarlsson.shaded.jdbc.SQLRuntimeException;
import java.time.Clock;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.IntStream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.annotation.Lazy;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import wistel.core.docket.OrderDifferences;
import wistel.core.docket.PrintOrder;
import wistel.core.docket.changes.GangCommand;
import wistel.core.docket.findings.Finding;
import wistel.core.docket.findings.VerdictAdvice;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.LabFile;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.docket.words.PlanWords;
import wistel.core.docket.words.Readback;
import wistel.core.fault.Conflict;
import wistel.core.fault.InvalidRequest;
import wistel.core.length.Length;
import wistel.core.printer.PrinterDescription;
import wistel.core.sheet.Layout;
import wistel.core.sheet.Page;
import wistel.core.sheet.Placed;
import wistel.core.sheet.Plans;
import wistel.core.sheet.Rect;
import wistel.server.docket.DocketAssessment;
import wistel.server.docket.DocketAssessor;
import wistel.server.docket.DocketRepository;
import wistel.server.docket.PrintHistory;
import wistel.server.edge.Events;
import wistel.server.store.StoredText;

/**
 * Releases dockets: freezes the order, records the attempt and its task in one transaction, so that neither is ever there without the
 * other.
 */
@Service
public class ReleaseService {
    private static final Logger LOG = LoggerFactory.getLogger(ReleaseService.class);

    private final DocketRepository dockets;
    private final DocketAssessor assessor;
    private final AttemptRepository attempts;
    private final SchedulerClient scheduler;
    private final Events events;
    private final Clock clock;
    private final AttemptPieceRepository pieces;
    private final PageFileRepository pageFiles;
    private final TransactionTemplate savepoint;
    private final ApplicationEventPublisher released;

    ReleaseService(DocketRepository dockets, DocketAssessor assessor, AttemptRepository attempts, @Lazy SchedulerClient scheduler,
        Events events, Clock clock, AttemptPieceRepository pieces, PageFileRepository pageFiles, PlatformTransactionManager transactions,
        ApplicationEventPublisher released) {
        this.released = released;
        this.pageFiles = pageFiles;
        this.savepoint = new TransactionTemplate(transactions);
        savepoint.setPropagationBehavior(TransactionDefinition.PROPAGATION_NESTED);
        this.pieces = pieces;
        this.dockets = dockets;
        this.assessor = assessor;
        this.attempts = attempts;
        this.scheduler = scheduler;
        this.events = events;
        this.clock = clock;
    }

    /** Told in the same transaction: an attempt that wasn't there before. */
    public record Released(UUID attemptId, UUID docketId, PrintOrder order) {
    }

    /** @throws Conflict when a finding stops the print, the docket was changed meanwhile, or it is on its way already */
    @Transactional
    public UUID release(UUID docketId, int version, boolean held) {
        DocketRepository.Row docket = current(docketId, version);
        DocketAssessment judged = assessor.assess(docket);
        DocketSpec d = docket.spec();
        PreflightFacts facts = judged.facts();
        PrintOrder order = PrintOrder.freeze(d, facts, judged.masters(), judged.descriptionHash());
        AttemptRepository.Labels labels = new AttemptRepository.Labels(d.title(), order.pairing().paper(),
            Optional.of(UUID.fromString(order.pairing().pairingId())),
            summary(order), Readback.of(d, facts, order.layout()), false, order.masters().get(0).hash());
        UUID id = start(docketId, UUID.fromString(order.pairing().printerId()), new Frozen(order, attempts.stored(order)), labels,
            pages(docketId, order, facts));
        pieces.add(id, docketId, d);
        if (held) {
            attempts.hold(id, true);
        }
        return id;
    }

    /** Writes a file for somebody else's printer. */
    @Transactional
    public UUID write(UUID docketId, int version, LabFile file) {
        DocketRepository.Row docket = current(docketId, version);
        DocketAssessment judged = assessor.assess(docket);
        PrintOrder order = PrintOrder.freeze(docket.spec(), judged.facts(), judged.masters(), file);
        AttemptRepository.Labels labels = new AttemptRepository.Labels(docket.spec().title(), order.pairing().paper(),
            Optional.of(UUID.fromString(order.pairing().pairingId())),
            file.words() + ", " + summary(order), howToPrint(order, file), true, order.masters().get(0).hash());
        UUID id = start(docketId, UUID.fromString(order.pairing().printerId()), new Frozen(order, attempts.stored(order)), labels,
            pages(docketId, order, judged.facts()));
        pieces.add(id, docketId, docket.spec());
        return id;
    }

    /** One sentence to go along with the file. */
    static String howToPrint(PrintOrder order, LabFile file) {
        Page page = order.page(1);
        String size = Length.mm(page.widthMm()) + " × " + Length.mm(page.heightMm()) + " mm";
        String colour = switch (file.space()) {
            case PAPER -> "its numbers are for " + order.pairing().paper() + " already: no colour conversion, no correction";
            case SRGB -> "its numbers are sRGB: convert by the embedded profile, no correction";
            case WIDE -> "its numbers are in the wide space that is embedded: convert by it, no correction";
        };
        return "Print at 100 %, which is " + size + " at " + inch(order.output().dpi()) + " pixels an inch, without scaling or sharpening; "
            + colour + ".";
    }

    /** Whole where it is, else with two decimals. */
    private static String inch(double ppi) {
        return ppi == Math.rint(ppi) ? Long.toString(Math.round(ppi)) : String.format(Locale.ROOT, "%.2f", ppi);
    }

    private DocketRepository.Row current(UUID docketId, int version) {
        DocketRepository.Row docket = dockets.get(docketId);
        if (docket.version() != version) {
            throw new Conflict(Conflict.Reason.STALE, "This docket was changed in another window meanwhile.",
                "Look at it as it is now, then release it.");
        }
        return docket;
    }

    private static String summary(PrintOrder order) {
        Layout layout = order.layout();
        List<Placed> placed = layout.placed();
        Rect one = placed.get(0).face().atMm();
        String each = Length.mm(one.width()) + " × " + Length.mm(one.height()) + " mm";
        if (Plans.tiled(order.spec().plan()).isPresent()) {
            return order.spec().plan().accept(new PlanWords(order.spec(), layout)).size();
        }
        boolean wrapped = Plans.wrap(order.spec().plan()).isPresent();
        String size = placed.size() == 1 ? each + (wrapped ? ", wrapped" : "")
            : placed.size() + (wrapped ? " wrapped pieces" : " pictures");
        return order.spec().stock().name() + ", " + size + (layout.pages().size() > 1 ? ", " + layout.pages().size() + " pages" : "");
    }

    private static List<AttemptRepository.NewPage> pages(UUID docketId, PrintOrder order, PreflightFacts facts) {
        List<PrintOrder.Numbered> numbered = order.numbered(facts.editions());
        return IntStream.rangeClosed(1, order.layout().pages().size())
            .mapToObj(n -> new AttemptRepository.NewPage(order.page(n).areaMm2() / 1e6 * order.output().copies(),
                order.page(n).placed().stream().map(Placed::id).toList(),
                numbered.stream().filter(p -> p.page() == n)
                    .map(p -> new AttemptRepository.NewNumber(p.placedId(), PrintHistory.work(docketId, p.itemId()), p.number())).toList()))
            .toList();
    }

    /**
     * Exactly this again: the very same order. Its files are printed as they are if they are still there, and made again from it if not;
     * one that comes out different then waits until a person has agreed.
     */
    @Transactional
    public UUID again(UUID attemptId) {
        Attempt a = attempts.get(attemptId);
        StoredText order = attempts.storedOrder(attemptId);
        PrintOrder read = attempts.order(attemptId);
        AttemptRepository.Labels labels = new AttemptRepository.Labels(a.title(), a.paper(),
            Optional.of(UUID.fromString(read.pairing().pairingId())), a.summary(), a.readback(), a.labFile(),
            read.masters().get(0).hash());
        UUID id = start(a.docketId(), a.printerId(), new Frozen(read, order), labels, attempts.newPages(attemptId));
        pageFiles.takeFiles(id, attemptId);
        pieces.take(id, attemptId);
        return id;
    }

    /**
     * One piece of a print, as a docket of its own that prints it once in the same way.
     *
     * @throws InvalidRequest when there is no such piece
     */
    @Transactional
    public UUID alone(UUID attemptId, String itemId) {
        Attempt a = attempts.get(attemptId);
        DocketSpec d = attempts.order(attemptId).spec();
        String title = a.pieces().stream().filter(p -> p.itemId().equals(itemId)).map(Attempt.Piece::title).findFirst()
            .orElse(d.title());
        return dockets.add(new GangCommand.PickedOut(itemId).on(d).withTitle(title).withCopies(1));
    }

    /** One page of an attempt that is over, again. */
    @Transactional
    public void again(UUID attemptId, int page) {
        Attempt a = attempts.get(attemptId);
        if (a.pages().stream().noneMatch(p -> p.page() == page)) {
            throw new InvalidRequest(InvalidRequest.Reason.PAGE_UNKNOWN, "This attempt has no page " + page + ".",
                "Choose one of its pages.");
        }
        attempts.again(attemptId, page);
        reopened(attemptId);
    }

    /** What is left of an attempt that stopped: its pages that failed or were never printed. */
    @Transactional
    public void goOn(UUID attemptId) {
        attempts.get(attemptId);
        attempts.goOn(attemptId);
        reopened(attemptId);
    }

    private void reopened(UUID attemptId) {
        schedule(attempts.get(attemptId));
        events.publish("attempt", attemptId.toString());
    }

    /** An attempt that runs has its tasks, whatever happened between the two. */
    @Scheduled(initialDelay = 2_000, fixedDelay = 2_000)
    void ensureTasks() {
        attempts.running().forEach(this::schedule);
    }

    /** What is sent and followed comes before what is made. */
    private void schedule(Attempt a) {
        once(PrintTask.PRINT.instance(a.id().toString()).priority(Priority.HIGH).build());
        once(RenderTask.RENDER.instance(RenderTask.instance(a)).priority(Priority.LOW).build());
    }

    /**
     * Behind a savepoint: two releases at once may add the same task, and the one that comes second must not lose its own transaction by it.
     * Should the first one be taken back then, {@link #ensureTasks} adds it.
     */
    private void once(TaskInstance<?> task) {
        try {
            savepoint.executeWithoutResult(status -> scheduler.scheduleIfNotExists(task, clock.instant()));
        } catch (SQLRuntimeException e) {
            LOG.debug("{} is there already", task, e);
        }
    }

    /** An order, and as it is kept. */
    private record Frozen(PrintOrder order, StoredText stored) {
    }

    private UUID start(UUID docketId, UUID printerId, Frozen frozen, AttemptRepository.Labels labels,
        List<AttemptRepository.NewPage> pages) {
        UUID id = attempts.add(docketId, printerId, frozen.stored, labels, pages);
        released.publishEvent(new Released(id, docketId, frozen.order));
        schedule(attempts.get(id));
        events.publish("attempt", id.toString());
        return id;
    }

    /** What to change on the docket for the next attempt, by the verdict on this one. */
    public List<Finding.Fix> next(UUID attemptId) {
        Attempt a = attempts.get(attemptId);
        DocketRepository.Row docket = dockets.get(a.docketId());
        return VerdictAdvice.of(a.verdict(), docket.spec(), assessor.assess(docket).facts());
    }

    /** What was different between two prints, in the words of the later one's printer. */
    public List<String> differences(UUID earlier, UUID later) {
        PrinterDescription printer = assessor.assess(dockets.get(attempts.get(later).docketId())).facts().described();
        return OrderDifferences.between(attempts.order(attempts.get(earlier).id()), attempts.order(later), printer);
    }

    /**
     * Holds it before it is sent, or lets it go on.
     *
     * @param agreed to pages that were made anew and look different
     * @throws Conflict when there are such pages and nobody agreed to them
     */
    @Transactional
    public void hold(UUID attemptId, boolean held, boolean agreed) {
        Attempt a = attempts.get(attemptId);
        Optional<MadeAnew> furthest = a.pages().stream().flatMap(p -> p.anew().stream()).max(Comparator.comparingDouble(MadeAnew::extent));
        if (!held && furthest.isPresent()) {
            double extent = furthest.get().extent();
            if (!agreed && extent > Math.max(MadeAnew.SEEN, a.agreed().orElse(0.0))) {
                throw new Conflict(Conflict.Reason.DIFFERS, furthest.get().words(),
                    "Compare it with a print that you have, then say that you want it all the same, or cancel it.");
            }
            attempts.agree(attemptId, Math.max(MadeAnew.SEEN, extent));
        }
        attempts.hold(attemptId, held);
        events.publish("attempt", attemptId.toString());
    }

    public void cancel(UUID attemptId) {
        if (!attempts.get(attemptId).over()) {
            attempts.askCancel(attemptId);
            events.publish("attempt", attemptId.toString());
        }
    }
}
