package wistel.server.docket;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import wistel.core.docket.PlanView;
import wistel.core.docket.findings.Finding;
import wistel.core.docket.findings.SettingChoice;
import wistel.core.docket.findings.SettingChoices;
import wistel.core.docket.findings.StageTrack;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.docket.spec.Purpose;
import wistel.core.docket.spec.Resolution;
import wistel.core.docket.words.Readback;
import wistel.core.length.Length;
import wistel.core.length.Ppi;
import wistel.core.paper.SheetSize;
import wistel.core.paper.Stock;
import wistel.core.printer.PrinterDescription;
import wistel.core.rendition.Rendition;
import wistel.core.sheet.Plans;
import wistel.core.sheet.Placed;
import wistel.core.sheet.Frame;
import wistel.core.sheet.Layout;
import wistel.core.sheet.Page;
import wistel.core.tone.PairingToneCurve;
import wistel.server.docket.DocketView.Borderless;
import wistel.server.docket.DocketView.OnDocket;
import wistel.server.docket.DocketView.Options;
import wistel.server.docket.DocketView.Printed;
import wistel.server.docket.DocketView.Reach;
import wistel.server.docket.DocketView.StockChoice;
import wistel.server.master.Master;
import wistel.server.master.MasterRepository;

/** What a screen shows of a docket. */
@Service
public class DocketViews {
    private final DocketRepository dockets;
    private final DocketAssessor assessor;
    private final MasterRepository masters;
    private final OwnSheetRepository ownSheets;
    private final JointRepository joints;

    DocketViews(DocketRepository dockets, DocketAssessor assessor, MasterRepository masters, OwnSheetRepository ownSheets,
        JointRepository joints) {
        this.joints = joints;
        this.dockets = dockets;
        this.assessor = assessor;
        this.masters = masters;
        this.ownSheets = ownSheets;
    }

    public DocketView view(UUID id) {
        DocketRepository.Row row = dockets.get(id);
        DocketAssessment judged = assessor.assess(row);
        DocketSpec d = row.spec();
        Layout layout = judged.layout();
        List<Finding> findings = judged.findings();
        Map<String, Master> there = masters.byHashes(d.renditions().stream().map(Rendition::masterHash).toList());
        double paper = layout.pages().stream().mapToDouble(Page::areaMm2).sum();
        return new DocketView(id, row.number(), row.version(), row.undo(), row.redo(), d, d.stock().name(),
            d.renditions().stream().map(r -> onDocket(r, there.get(r.masterHash()), judged)).toList(),
            judged.facts().pairing(), layout, layout.bareMm2() / paper,
            StageTrack.of(d, judged.facts(), layout, findings), findings, Readback.of(d, judged.facts(), layout), options(d, judged),
            PlanView.of(d, judged.facts(), layout), joints.of(id),
            d.heading().purpose() instanceof Purpose.StripOf of ? joints.named(UUID.fromString(of.docketId())) : Optional.empty());
    }

    private static OnDocket onDocket(Rendition rendition, Master master, DocketAssessment judged) {
        Resolution resolution = judged.row().spec().resolution();
        boolean tiled = Plans.tiled(judged.row().spec().plan()).isPresent();
        Stream<Placed> places = tiled ? judged.layout().parts(rendition.id()).stream()
            : judged.layout().placed().stream().filter(p -> p.renditionId().equals(rendition.id()));
        List<Printed> printed = places
            .map(p -> new Printed(p.ppi(),
                Ppi.label(p.ppi(), resolution.viewingMm(), judged.facts().neededPixels()),
                judged.facts().printer().map(d -> d.inputDpi(Math.min(p.ppi(), resolution.mostPpi()))).orElse(0)))
            .toList();
        int longest = Math.max(master.width(), master.height());
        Reach reach = new Reach(Ppi.longestMm(longest, Ppi.Label.FINE), Ppi.longestMm(longest, Ppi.Label.GOOD),
            Ppi.longestMm(longest, Ppi.Label.FAIR));
        return new OnDocket(rendition.id(), master, judged.facts().pictures().get(rendition.id()).sourceName(), reach,
            judged.framed(rendition.id()), judged.stamps(rendition.id()),
            printed, tones(rendition, judged));
    }

    private static Optional<DocketView.Tones> tones(Rendition r, DocketAssessment judged) {
        DocketSpec d = judged.row().spec();
        return judged.facts().tone(d, r).flatMap(key -> judged.facts().curve(d)
            .map(k -> new DocketView.Tones(key, k.wedge(), k.measured(), PairingToneCurve.isOn(key),
                Math.abs(k.curve().largestMove().sent()))));
    }

    /** What its printer can be set to: for the machine station alone, as it takes as long as all of the view. */
    List<SettingChoice> settings(UUID id) {
        DocketAssessment judged = assessor.assess(dockets.get(id));
        return SettingChoices.of(judged.row().spec(), judged.facts());
    }

    private Options options(DocketSpec d, DocketAssessment judged) {
        PreflightFacts facts = judged.facts();
        Optional<PrinterDescription> printer = facts.printer();
        // of what lies first; where nothing does, no sheet is filled
        double aspect = judged.layout().placed().stream().findFirst().map(p -> p.crop().width() / p.crop().height()).orElse(0.0);
        Stream<StockChoice> known = SheetSize.KNOWN.stream().map(Stock.Sheet::of).map(s -> choice(d, facts, s, aspect, false));
        Stream<StockChoice> own = ownSheets.all().stream().map(s -> choice(d, facts, s, aspect, true));
        Stream<StockChoice> rolls = facts.rolls(d).stream().map(r -> choice(d, facts, r, aspect, false));
        List<StockChoice> stocks = Stream.of(known, own, rolls).flatMap(s -> s).filter(c -> printer.isEmpty() || c.feed().isPresent())
            .toList();
        return new Options(stocks,
            new Borderless(facts.offersBorderless(d), printer.map(PrinterDescription::overEdgesMm).orElse(List.of())));
    }

    private static StockChoice choice(DocketSpec d, PreflightFacts facts, Stock stock, double aspect, boolean own) {
        boolean fills = stock instanceof Stock.Sheet s
            && (Frame.sameShape(s.lengthMm() / s.widthMm(), aspect) || Frame.sameShape(s.widthMm() / s.lengthMm(), aspect));
        String label = stock instanceof Stock.Sheet s ? s.name() + ", " + Length.mm(s.widthMm()) + " × " + Length.mm(s.lengthMm()) + " mm"
            : stock.name() + ", " + Length.mm(stock.widthMm()) + " mm";
        boolean holds = d.plan().onStock(stock).fits(stock);
        return new StockChoice(stock, facts.feedFor(d, stock), label, fills, own, facts.loaded(d, stock), holds);
    }
}
