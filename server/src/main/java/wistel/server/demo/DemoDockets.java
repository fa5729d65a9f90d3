package wistel.server.demo;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import wistel.core.docket.changes.Change;
import wistel.core.docket.changes.DocketCommand;
import wistel.core.docket.changes.GangCommand;
import wistel.core.docket.changes.MachineCommand;
import wistel.core.docket.changes.PictureCommand;
import wistel.core.docket.changes.PieceCommand;
import wistel.core.docket.changes.SheetCommand;
import wistel.core.docket.changes.TileCommand;
import wistel.core.docket.changes.WrapCommand;
import wistel.core.docket.findings.Tilings;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.length.Length;
import wistel.core.paper.SheetSize;
import wistel.core.paper.Stock;
import wistel.core.printer.ColourRoute;
import wistel.core.printer.DriverSettings;
import wistel.core.rendition.Compensated;
import wistel.core.rendition.Compensation;
import wistel.core.rendition.Move;
import wistel.core.rendition.Suggestion;
import wistel.core.sheet.Borders;
import wistel.core.sheet.Frame;
import wistel.server.compensation.CompensationRepository;
import wistel.server.demo.DemoPlan.DocketPlan;
import wistel.server.demo.DemoPlan.PiecePlan;
import wistel.server.demo.DemoPlan.WrapPlan;
import wistel.server.docket.DocketAssessment;
import wistel.server.docket.DocketAssessor;
import wistel.server.docket.DocketOpening;
import wistel.server.docket.DocketRepository;
import wistel.server.docket.DocketService;
import wistel.server.docket.GangService;
import wistel.server.edge.Events;
import wistel.server.master.MasterImport;
import wistel.server.pairing.PairingRepository;
import wistel.server.proof.RenditionService;
import wistel.server.wrap.WrapService;

/** Opens the demo's dockets and decides on them. */
@Component
class DemoDockets {
    private static final String FIRST_PRINTER = "Ardle 17";

    private final MasterImport imports;
    private final DocketService docketService;
    private final DocketOpening opening;
    private final DocketRepository dockets;
    private final PairingRepository pairings;
    private final CompensationRepository compensations;
    private final RenditionService renditions;
    private final WrapService wraps;
    private final DemoRepository entries;
    private final Events events;
    private final TransactionTemplate transaction;
    private final GangService gangs;
    private final DocketAssessor assessor;

    DemoDockets(MasterImport imports, DocketService docketService, DocketOpening opening, DocketRepository dockets,
        PairingRepository pairings, CompensationRepository compensations, RenditionService renditions, WrapService wraps,
        DemoRepository entries, Events events, TransactionTemplate transaction, GangService gangs, DocketAssessor assessor) {
        this.assessor = assessor;
        this.gangs = gangs;
        this.imports = imports;
        this.docketService = docketService;
        this.opening = opening;
        this.dockets = dockets;
        this.pairings = pairings;
        this.compensations = compensations;
        this.renditions = renditions;
        this.wraps = wraps;
        this.entries = entries;
        this.events = events;
        this.transaction = transaction;
    }

    void open(Path demo, DocketPlan plan) throws IOException {
        if (plan.contact() != null) {
            openContact(demo, plan);
            return;
        }
        MasterImport.Taken taken = take(demo.resolve(plan.picture()));
        double aspect = (double) taken.master().width() / taken.master().height();
        UUID docket = transaction.execute(t -> {
            UUID id = opening.open(taken);
            decide(id, plan, aspect);
            entries.add("docket:" + plan.title(), Optional.of(id));
            return id;
        });
        gather(docket, demo, plan);
        events.publish("docket", docket.toString());
    }

    private void openContact(Path demo, DocketPlan plan) throws IOException {
        List<GangService.Brought> pictures = new ArrayList<>();
        for (String file : plan.contact()) {
            pictures.add(GangService.Brought.of(take(demo.resolve(file))));
        }
        UUID docket = transaction.execute(t -> {
            UUID id = gangs.open(GangService.Sheet.CONTACT, plan.title(), pictures);
            pair(id, plan);
            entries.add("docket:" + plan.title(), Optional.of(id));
            return id;
        });
        events.publish("docket", docket.toString());
    }

    private void pair(UUID id, DocketPlan plan) {
        pairings.all().stream()
            .filter(p -> p.paper().equals(plan.paper()) && p.printerName().equals(plan.printer() == null ? FIRST_PRINTER : plan.printer()))
            .findFirst().ifPresent(p -> change(id, new Change.Paired(p)));
    }

    private void decide(UUID id, DocketPlan plan, double aspect) {
        if (!gathers(plan)) {
            change(id, new DocketCommand.Titled(plan.title()));
        }
        if (Boolean.TRUE.equals(plan.profileTaken())) {
            change(id, new PictureCommand.ProfileConfirmed(DocketService.FIRST_RENDITION));
        }
        pair(id, plan);
        if (plan.intent() != null) {
            change(id, new MachineCommand.Routed(new ColourRoute.ByWistel(plan.intent(), true)));
        }
        if (plan.sheet() != null) {
            change(id, new SheetCommand.Stocked(Stock.Sheet.of(SheetSize.named(plan.sheet()).orElseThrow()), Optional.empty()));
            if (dockets.get(id).spec().single().plan().across() != Boolean.TRUE.equals(plan.across())) {
                change(id, new SheetCommand.Turned());
            }
            change(id, new PieceCommand.Framed(DocketSpec.FIRST_ITEM, plan.widthMm(),
                plan.fit() == Frame.Fit.FILL ? plan.heightMm() : plan.widthMm() / aspect));
            change(id, new PieceCommand.Fitted(DocketSpec.FIRST_ITEM, plan.fit() == null ? Frame.Fit.WHOLE : plan.fit()));
            change(id, new SheetCommand.Bordered(Boolean.TRUE.equals(plan.heavierFoot()) ? new Borders.HeavierFoot() : new Borders.Even()));
        }
        if (plan.rollInches() != null) {
            change(id, new SheetCommand.Stocked(new Stock.Roll(plan.rollInches() * Length.MM_PER_INCH), Optional.empty()));
            if (dockets.get(id).spec().single().plan().across() != Boolean.TRUE.equals(plan.across())) {
                change(id, new SheetCommand.Turned());
            }
            change(id, new PieceCommand.Framed(DocketSpec.FIRST_ITEM, plan.widthMm(),
                plan.fit() == Frame.Fit.FILL ? plan.heightMm() : plan.widthMm() / aspect));
            change(id, new PieceCommand.Fitted(DocketSpec.FIRST_ITEM, plan.fit() == null ? Frame.Fit.WHOLE : plan.fit()));
        }
        if (plan.tiles() != null) {
            overSheets(id, plan, aspect);
        }
        if (plan.wrap() != null) {
            wrap(id, plan.wrap());
        }
        if (plan.mediaType() != null) {
            change(id, new MachineCommand.Set(DriverSettings.MEDIA_TYPE, plan.mediaType()));
        }
        if (Boolean.TRUE.equals(plan.byDriver())) {
            change(id, new MachineCommand.Routed(new ColourRoute.ByDriver()));
        }
        if (plan.treatment() != null) {
            change(id, new PictureCommand.Treated(DocketService.FIRST_RENDITION, plan.treatment()));
        }
        if (plan.compensation() != null) {
            compensate(id, plan.compensation());
        }
        if (Boolean.TRUE.equals(plan.looked())) {
            docketService.see(id, DocketService.FIRST_RENDITION);
        }
    }

    private void overSheets(UUID id, DocketPlan plan, double aspect) {
        change(id, new TileCommand.OverSheets());
        change(id, new PieceCommand.Framed(DocketSpec.FIRST_ITEM, plan.widthMm(), plan.widthMm() / aspect));
        DocketAssessment judged = assessor.assess(dockets.get(id));
        Tilings.of(judged.row().spec(), judged.facts()).stream()
            .filter(t -> t.name().equals(plan.tiles().sheet()) && t.across() == plan.tiles().across()).findFirst()
            .ifPresent(t -> change(id, t.chosen()));
        change(id, new TileCommand.SheetsParted(plan.tiles().joints()));
    }

    private static boolean gathers(DocketPlan plan) {
        return plan.together() != null || plan.sizes() != null;
    }

    /** Other pictures, and more sizes of this one, are laid beside it, which keeps its own title. */
    private void gather(UUID id, Path demo, DocketPlan plan) throws IOException {
        for (PiecePlan piece : plan.together() == null ? List.<PiecePlan>of() : plan.together()) {
            gangs.add(id, List.of(GangService.Brought.of(take(demo.resolve(piece.picture())))));
            DocketSpec d = dockets.get(id).spec();
            String item = d.items().get(d.items().size() - 1).id();
            gangs.resize(id, dockets.get(id).version(), item, new GangService.PieceSize(Optional.of(piece.width()), Optional.empty()));
            if (piece.copies() != null) {
                change(id, new GangCommand.Repeated(item, piece.copies()));
            }
        }
        if (plan.sizes() != null) {
            gangs.resized(id, dockets.get(id).version(), DocketSpec.FIRST_ITEM, plan.sizes());
        }
        if (gathers(plan)) {
            change(id, new DocketCommand.Titled(plan.title()));
        }
    }

    private MasterImport.Taken take(Path file) throws IOException {
        try (InputStream in = Files.newInputStream(file)) {
            return imports.take(file.getFileName().toString(), in);
        }
    }

    private void wrap(UUID id, WrapPlan plan) {
        wraps.wrap(id, dockets.get(id).version());
        change(id, new WrapCommand.SidesFilled(plan.fill()));
        wraps.change(id, dockets.get(id).version(), plan.body());
        if (plan.moves() != null) {
            change(id, new WrapCommand.SidesMoved(plan.moves()));
        }
    }

    private void compensate(UUID id, String name) {
        DocketRepository.Row row = dockets.get(id);
        List<Move> moves = renditions.suggestion(row, DocketService.FIRST_RENDITION, Suggestion.Goal.CLOSEST).moves();
        Compensation kept = compensations
            .add(new Compensation(UUID.randomUUID().toString(), 1, name, moves), row.spec().pairingId().map(UUID::fromString))
            .compensation();
        change(id,
            new PictureCommand.Compensates(DocketService.FIRST_RENDITION, new Compensated(kept.moves(), Optional.of(kept.ref()), true)));
    }

    private void change(UUID id, Change change) {
        docketService.change(id, dockets.get(id).version(), change);
    }
}
