package wistel.server.docket;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
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
import wistel.core.docket.findings.Preflight;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.fault.RecordException;
import wistel.core.icc.check.ControlStrip;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.transform.BlackPoint;
import wistel.core.pairing.PairingVersion;
import wistel.core.pictures.DetailMap;
import wistel.core.printer.ColourRoute;
import wistel.core.printer.PrinterDescription;
import wistel.core.printer.PrinterState;
import wistel.core.rendition.Rendition;
import wistel.core.sheet.Item;
import wistel.core.sheet.Layout;
import wistel.core.sheet.Plans;
import wistel.core.sheet.SheetPlan.PixelSize;
import wistel.core.tone.PairingToneCurve;
import wistel.core.tone.ToneMode;
import wistel.server.master.Master;
import wistel.server.master.MasterRepository;
import wistel.server.master.PictureDetails;
import wistel.server.pairing.ControlStrips;
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
    private static final int MOST_ASSESSED = 2000;

    /** By docket: the last assessment stands as long as nothing that it is made from has changed. */
    private final Cache<UUID, Assessed> assessments = Caffeine.newBuilder().maximumSize(MOST_ASSESSED).build();
    private final Cache<String, Set<Intent>> blackAlways = Caffeine.newBuilder().maximumSize(MOST_PROFILES).build();
    private final MasterRepository masters;
    private final PairingRepository pairings;
    private final PrinterRepository printers;
    private final PrintHistory history;
    private final ProfileRepository profiles;
    private final PictureDetails details;
    private final RecordRepository records;
    private final ProofKeys proofKeys;
    private final ControlStrips strips;
    private final Clock clock;

    DocketAssessor(MasterRepository masters, PairingRepository pairings, PrinterRepository printers, PrintHistory history,
        ProfileRepository profiles, PictureDetails details, RecordRepository records, ProofKeys proofKeys, ControlStrips strips,
        Clock clock) {
        this.strips = strips;
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

    /** All that an assessment is made from; when a printer was last seen is no part of it. */
    private record Inputs(DocketRepository.Row row, List<MasterRepository.Brief> masters, List<Optional<DetailMap>> details,
        Optional<PairingVersion> pairing, Optional<Printer> printer, Set<Intent> blackAlways, double secondsPerM2, LocalDate today,
        Map<String, Integer> editions) {
    }

    private record Assessed(Inputs inputs, DocketAssessment assessment) {
    }

    private DocketAssessment assessed(DocketRepository.Row row, Map<String, MasterRepository.Brief> briefs,
        Optional<PairingVersion> pairing, Map<String, Printer> printersById,
        History past) {
        List<MasterRepository.Brief> masterOf = row.spec().renditions().stream().map(r -> Optional.ofNullable(briefs.get(r.masterHash()))
            .orElseThrow(() -> records.damaged("docket " + row.number(),
                new IllegalArgumentException("its picture " + r.masterHash() + " isn't there"))))
            .toList();
        boolean detailed = Plans.wrap(row.spec().plan()).isPresent() || Plans.tiled(row.spec().plan()).isPresent();
        Optional<Printer> printer = pairing.map(p -> printersById.get(p.printerId()));
        Inputs inputs = new Inputs(row, masterOf,
            masterOf.stream().map(m -> detailed ? details.of(m.hash()) : Optional.<DetailMap>empty()).toList(), pairing,
            printer.map(Printer::unseen), pairing.map(p -> blackAlways(p.profileHash())).orElse(Set.of()),
            pairing.map(p -> past.seconds.getOrDefault(p.pairingId(), 0.0)).orElse(0.0), past.today, editions(row, past.editions));
        Assessed last = assessments.getIfPresent(row.id());
        if (last == null || !last.inputs.equals(inputs)) {
            last = new Assessed(inputs, assessed(inputs));
            assessments.put(row.id(), last);
        }
        return last.assessment.seen(printer);
    }

    private DocketAssessment assessed(Inputs in) {
        DocketSpec d = in.row.spec();
        Map<String, PreflightFacts.Picture> pictures = new HashMap<>();
        List<PrintOrder.Master> used = new ArrayList<>();
        for (int i = 0; i < in.masters.size(); i++) {
            String id = d.renditions().get(i).id();
            MasterRepository.Brief m = in.masters.get(i);
            pictures.put(id, new PreflightFacts.Picture(new PixelSize(m.width(), m.height()), m.channels(), m.profileHash().isPresent(),
                m.profileProblem(), sourceName(m), m.inCaptions(), in.details.get(i)));
            used.add(new PrintOrder.Master(id, m.hash(), m.profileHash().orElseGet(() -> StandardSpaces.assumedFor(m.channels()).hash())));
        }
        Map<String, String> keys = in.pairing.map(p -> proofKeys.byRendition(d, p, used, pictures, curve(d, p, in.printer)))
            .orElse(Map.of());
        Set<String> seen = keys.entrySet().stream().filter(e -> in.row.seen().contains(e.getValue())).map(Map.Entry::getKey)
            .collect(Collectors.toSet());
        PreflightFacts facts = new PreflightFacts(pictures, in.pairing, in.printer.flatMap(Printer::description),
            in.printer.map(Printer::state).orElse(PrinterState.AWAY), in.blackAlways, seen, in.secondsPerM2, in.today, in.editions,
            strip(d, in.pairing));
        Layout layout = facts.layout(d);
        return new DocketAssessment(in.row, facts, layout, List.copyOf(used), in.printer, keys, Preflight.findings(d, facts, layout));
    }

    /** Its numbers are those of the profile: where somebody else converts the colour they would be taken for something else. */
    private Optional<ControlStrip> strip(DocketSpec d, Optional<PairingVersion> pairing) {
        return pairing.filter(p -> d.paper().checked() && d.route() instanceof ColourRoute.ByWistel && !p.grayOnly())
            .flatMap(p -> strips.beside(p.profileHash()));
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
