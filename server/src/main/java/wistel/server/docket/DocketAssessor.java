package wistel.server.docket;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import wistel.core.docket.PrintOrder;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.fault.RecordException;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.transform.BlackPoint;
import wistel.core.paper.PairingVersion;
import wistel.core.pictures.DetailMap;
import wistel.core.printer.PrinterDescription;
import wistel.core.printer.PrinterState;
import wistel.core.rendition.Rendition;
import wistel.core.sheet.Item;
import wistel.core.sheet.Plans;
import wistel.core.sheet.SheetPlan.PixelSize;
import wistel.core.tone.PairingToneCurve;
import wistel.core.tone.ToneMode;
import wistel.server.master.Master;
import wistel.server.master.MasterRepository;
import wistel.server.master.PictureDetails;
import wistel.server.pairing.PairingRepository;
import wistel.server.printer.Printer;
import wistel.server.printer.PrinterRepository;
import wistel.server.store.ProfileRepository;
import wistel.server.store.RecordRepository;

/** Puts together what core needs to judge dockets, one or a whole bench of them. */
@Service
public class DocketAssessor {
    /** A few words each. */
    private static final int MOST_PROFILES = 1000;

    private final Cache<String, Set<Intent>> blackAlways = Caffeine.newBuilder().maximumSize(MOST_PROFILES).build();
    private final MasterRepository masters;
    private final PairingRepository pairings;
    private final PrinterRepository printers;
    private final PrintHistory history;
    private final ProfileRepository profiles;
    private final PictureDetails details;
    private final RecordRepository records;
    private final ProofKeys proofKeys;
    private final Clock clock;

    DocketAssessor(MasterRepository masters, PairingRepository pairings, PrinterRepository printers, PrintHistory history,
        ProfileRepository profiles, PictureDetails details, RecordRepository records, ProofKeys proofKeys, Clock clock) {
        this.masters = masters;
        this.pairings = pairings;
        this.printers = printers;
        this.history = history;
        this.profiles = profiles;
        this.details = details;
        this.records = records;
        this.proofKeys = proofKeys;
        this.clock = clock;
    }

    /** @throws RecordException when a record that it needs is damaged */
    public DocketAssessment assess(DocketRepository.Row row) {
        return assessing(List.of(row)).apply(row);
    }

    /** Many at once, those left out that need a damaged record: what they share is asked of the database once. */
    public List<DocketAssessment> assess(List<DocketRepository.Row> rows) {
        Function<DocketRepository.Row, DocketAssessment> assessing = assessing(rows);
        return rows.stream().flatMap(row -> records.readable("docket " + row.number(), () -> assessing.apply(row)).stream()).toList();
    }

    private Function<DocketRepository.Row, DocketAssessment> assessing(List<DocketRepository.Row> rows) {
        Set<String> hashes = rows.stream().flatMap(r -> r.spec().renditions().stream()).map(Rendition::masterHash)
            .collect(Collectors.toSet());
        Map<String, MasterRepository.Brief> briefs = masters.briefs(hashes);
        Map<String, PairingVersion> known = pairings.known(rows.stream().flatMap(r -> r.spec().pairingId().stream()).toList());
        Map<String, Printer> printersById = new HashMap<>();
        known.values().stream().map(PairingVersion::printerId).distinct().forEach(
            id -> records.unlessDamaged(() -> Optional.of(printers.get(UUID.fromString(id)))).ifPresent(p -> printersById.put(id, p)));
        Map<String, Double> seconds = history.secondsPerM2();
        Map<String, Integer> editions = history.nextEditions(rows.stream()
            .flatMap(r -> r.spec().items().stream().filter(i -> i.annotation().numbered()).map(i -> PrintHistory.work(r.id(), i.id())))
            .toList());
        LocalDate today = LocalDate.now(clock);
        return row -> assessed(row, briefs, row.spec().pairingId().map(known::get), printersById, new History(seconds, today, editions));
    }

    private record History(Map<String, Double> seconds, LocalDate today, Map<String, Integer> editions) {
    }

    private DocketAssessment assessed(DocketRepository.Row row, Map<String, MasterRepository.Brief> briefs,
        Optional<PairingVersion> pairing, Map<String, Printer> printersById,
        History past) {
        DocketSpec d = row.spec();
        Map<String, PreflightFacts.Picture> pictures = new HashMap<>();
        List<PrintOrder.Master> used = d.renditions().stream().map(r -> {
            MasterRepository.Brief m = Optional.ofNullable(briefs.get(r.masterHash()))
                .orElseThrow(() -> records.damaged("docket " + row.number(),
                    new IllegalArgumentException("its picture " + r.masterHash() + " isn't there")));
            Optional<DetailMap> detail = Plans.wrap(d.plan()).isPresent() ? details.of(m.hash()) : Optional.empty();
            pictures.put(r.id(), new PreflightFacts.Picture(new PixelSize(m.width(), m.height()), m.channels(), m.profileHash().isPresent(),
                m.profileProblem(), sourceName(m), detail));
            return new PrintOrder.Master(r.id(), m.hash(), m.profileHash().orElseGet(() -> StandardSpaces.assumedFor(m.channels()).hash()));
        }).toList();
        Optional<Printer> printer = pairing.map(p -> printersById.get(p.printerId()));
        Map<String, String> keys = pairing.map(p -> proofKeys.byRendition(d, p, used, pictures, curve(d, p, printer))).orElse(Map.of());
        Set<String> seen = keys.entrySet().stream().filter(e -> row.seen().contains(e.getValue())).map(Map.Entry::getKey)
            .collect(Collectors.toSet());
        PreflightFacts facts = new PreflightFacts(pictures, pairing, printer.flatMap(Printer::description),
            printer.map(Printer::state).orElse(PrinterState.AWAY),
            pairing.map(p -> blackAlways(p.profileHash())).orElse(Set.of()), seen,
            pairing.map(p -> past.seconds.getOrDefault(p.pairingId(), 0.0)).orElse(0.0), past.today, editions(row, past.editions));
        return new DocketAssessment(row, facts, facts.layout(d), used, printer, keys);
    }

    private static Map<String, Integer> editions(DocketRepository.Row row, Map<String, Integer> byWork) {
        return row.spec().items().stream().filter(i -> byWork.containsKey(PrintHistory.work(row.id(), i.id())))
            .collect(Collectors.toMap(Item::id, i -> byWork.get(PrintHistory.work(row.id(), i.id()))));
    }

    private static Optional<PairingToneCurve> curve(DocketSpec d, PairingVersion pairing, Optional<Printer> printer) {
        return PairingToneCurve.of(pairing.curves(),
            ToneMode.of(d.route(), d.settings(), printer.flatMap(Printer::description).orElse(PrinterDescription.UNKNOWN)));
    }

    private static String sourceName(MasterRepository.Brief m) {
        return m.profileHash().isPresent() ? m.profileName() : StandardSpaces.assumedFor(m.channels()).description();
    }

    private Set<Intent> blackAlways(String profileHash) {
        Set<Intent> known = blackAlways.getIfPresent(profileHash);
        if (known != null) {
            return known;
        }
        // a docket whose profile is gone can't be proofed, but it is there
        Optional<Set<Intent>> found = records.readable("profile " + profileHash.substring(0, 8),
            () -> BlackPoint.always(profiles.get(profileHash)));
        found.ifPresent(intents -> blackAlways.put(profileHash, intents));
        return found.orElse(Set.of());
    }
}
