package wistel.server.docket;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import wistel.core.docket.changes.Change;
import wistel.core.docket.changes.Command;
import wistel.core.docket.changes.MachineCommand;
import wistel.core.docket.changes.PieceCommand;
import wistel.core.docket.changes.SheetCommand;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.pairing.PairingVersion;
import wistel.core.paper.SheetSize;
import wistel.core.paper.Stock;
import wistel.core.printer.DriverSettings;
import wistel.core.rendition.Compensated;
import wistel.core.sheet.Plans;
import wistel.core.sheet.SinglePiece;
import wistel.server.compensation.CompensationRepository;
import wistel.server.pairing.PairingRepository;

/** Which pairing a docket is printed on, and what follows it. */
@Service
public class PairingChoice {
    private final DocketRepository dockets;
    private final DocketAssessor assessor;
    private final PairingRepository pairings;
    private final CompensationRepository compensations;
    private final PiecePlacing placing;

    PairingChoice(DocketRepository dockets, DocketAssessor assessor, PairingRepository pairings, CompensationRepository compensations,
        PiecePlacing placing) {
        this.placing = placing;
        this.dockets = dockets;
        this.assessor = assessor;
        this.pairings = pairings;
        this.compensations = compensations;
    }

    public void choosePairing(UUID id, int version, String pairingId) {
        PairingVersion pairing = pairings.get(pairingId);
        Optional<Compensated> usual = compensations.usual(UUID.fromString(pairing.pairingId()))
            .map(c -> new Compensated(c.moves(), Optional.of(c.ref()), true));
        DocketRepository.Row row = dockets.get(id);
        Change.Paired paired = new Change.Paired(pairing, usual);
        List<Command> along = following(row, new Change.PairedWith(paired, List.of()));
        dockets.change(id, version, placing.after(id, along.isEmpty() ? paired : new Change.PairedWith(paired, along)));
    }

    /**
     * How a picture follows another paper or feed that nobody has laid yet: it lies as it did when the docket was opened, or as an earlier
     * choice made it lie. What a person has decided stays.
     */
    List<Command> following(DocketRepository.Row row, Change change) {
        DocketAssessment before = assessor.assess(row);
        if (Plans.single(row.spec().plan()).isEmpty() || row.spec().items().size() > 1) {
            return List.of();
        }
        SinglePiece piece = row.spec().single();
        if (!liesAs(piece, SinglePiece.usual(piece.item().id(), piece.item().renditionId(), before.facts().input(row.spec())))) {
            return List.of();
        }
        DocketSpec next = change.on(row.spec());
        DocketAssessment after = assessor.assess(row.with(next));
        List<Command> along = new ArrayList<>();
        if (after.facts().feedFor(next, next.stock()).isEmpty()) {
            // a printer of other sheets, or of rolls alone: the nearest in size that it takes
            Optional<Stock> takes = Stream
                .concat(
                    SheetSize.KNOWN.stream().map(Stock.Sheet::of)
                        .sorted(Comparator.comparingDouble(s -> Math.abs(s.lengthMm() - SheetSize.A4.heightMm()))),
                    after.facts().rolls(next).stream())
                .map(Stock.class::cast).filter(s -> after.facts().feedFor(next, s).isPresent()).findFirst();
            takes.ifPresent(s -> along.add(new SheetCommand.Stocked(s, after.facts().feedFor(next, s))));
        }
        DocketSpec on = along.isEmpty() ? next : along.get(0).on(next);
        SinglePiece usual = SinglePiece.usual(piece.item().id(), piece.item().renditionId(),
            assessor.assess(row.with(on)).facts().input(on));
        if (!liesAs(piece, usual)) {
            along.add(new PieceCommand.Framed(piece.item().id(), usual.item().frame().widthMm(), usual.item().frame().heightMm()));
        }
        return along;
    }

    /** Whatever is written round it. */
    private static boolean liesAs(SinglePiece piece, SinglePiece usual) {
        return piece.plan().equals(usual.plan()) && piece.item().annotated(usual.item().annotation()).equals(usual.item());
    }

    /** This docket on the pairings of other printers, those of the same paper first. */
    public List<AlternativePrinter> elsewhere(UUID id) {
        DocketAssessment now = assessor.assess(dockets.get(id));
        String printer = now.facts().pairing().map(PairingVersion::printerId).orElse("");
        return pairings.all().stream().filter(p -> !p.printerId().equals(printer))
            .map(p -> AlternativePrinter.of(now, assessor.assess(now.row().with(paired(now.row(), p)))))
            .sorted(Comparator.comparing((AlternativePrinter e) -> !e.samePaper()).thenComparing(AlternativePrinter::paper)).toList();
    }

    /** On a pairing, and on a stock that its printer takes: a roll that is wide enough where it takes no such sheet. */
    private DocketSpec paired(DocketRepository.Row row, PairingVersion pairing) {
        DocketSpec on = row.spec().withPairing(pairing);
        PreflightFacts there = assessor.assess(row.with(on)).facts();
        Optional<String> feed = there.feedFor(on, on.stock());
        if (feed.isPresent()) {
            return on.withSettings(on.settings().with(DriverSettings.FEED, feed.get()));
        }
        double needed = Math.min(on.stock().widthMm(), on.stock() instanceof Stock.Sheet s ? s.lengthMm() : on.stock().widthMm());
        return there.rolls(on).stream().filter(r -> r.widthMm() >= needed - 1).findFirst()
            .map(r -> new SheetCommand.Stocked(r, there.feedFor(on, r)).on(on)).orElse(on);
    }

    /** Goes over to another printer's pairing, with what has to change along. */
    public void goElsewhere(UUID id, int version, String pairingId) {
        PairingVersion pairing = pairings.get(pairingId);
        DocketRepository.Row row = dockets.get(id);
        DocketSpec before = row.spec();
        DocketSpec after = paired(row, pairing);
        List<Command> changes = new ArrayList<>();
        if (!after.stock().equals(before.stock())) {
            changes.add(new SheetCommand.Stocked(after.stock(), Optional.of(after.settings().feed())));
        } else if (!after.settings().feed().equals(pairing.settings().feed())) {
            changes.add(new MachineCommand.Set(DriverSettings.FEED, after.settings().feed()));
        }
        dockets.change(id, version, placing.after(id, new Change.PairedWith(new Change.Paired(pairing), changes)));
    }
}
