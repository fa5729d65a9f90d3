package wistel.server.docket;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wistel.core.docket.changes.Change;
import wistel.core.docket.changes.Command;
import wistel.core.docket.changes.MachineCommand;
import wistel.core.docket.changes.PictureCommand;
import wistel.core.docket.changes.PieceCommand;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.fault.InvalidRequest;
import wistel.core.printer.DriverSettings;
import wistel.core.rendition.Compensated;
import wistel.core.rendition.Compensation;
import wistel.core.rendition.CompensationRef;
import wistel.core.sheet.Frame;
import wistel.core.sheet.OwnMark;
import wistel.core.sheet.Plans;
import wistel.core.sheet.SinglePiece;
import wistel.server.compensation.CompensationRepository;
import wistel.server.mark.MarkArts;

/** Decisions of dockets. */
@Service
public class DocketService {
    public static final String FIRST_RENDITION = "r1";

    private final DocketRepository dockets;
    private final DocketAssessor assessor;
    private final PairingChoice pairings;
    private final CompensationRepository compensations;
    private final PiecePlacing placing;
    private final MarkArts marks;

    DocketService(DocketRepository dockets, DocketAssessor assessor, PairingChoice pairings, CompensationRepository compensations,
        PiecePlacing placing, MarkArts marks) {
        this.placing = placing;
        this.marks = marks;
        this.dockets = dockets;
        this.assessor = assessor;
        this.pairings = pairings;
        this.compensations = compensations;
    }

    /** Makes a decision that came from outside: a compensation that it names is named only where these are its moves. */
    @Transactional
    public void decide(UUID id, int version, Command command) {
        Command checked = checked(command);
        boolean feeds = checked instanceof MachineCommand.Set set && set.setting().equals(DriverSettings.FEED);
        List<Command> along = feeds ? pairings.following(dockets.get(id), checked) : List.of();
        change(id, version, Command.of(Stream.concat(Stream.of(checked), along.stream()).toList()));
    }

    private Command checked(Command command) {
        if (command instanceof Command.Together together) {
            return new Command.Together(together.changes().stream().map(this::checked).toList());
        }
        if (command instanceof PieceCommand.Annotated a) {
            // a mark that can't be read would stop the print later
            a.annotation().own().map(OwnMark::art).ifPresent(marks::art);
        }
        if (command instanceof PictureCommand.Compensates c) {
            Optional<CompensationRef> kept = c.compensation().kept().flatMap(compensations::known)
                .filter(k -> k.moves().equals(c.compensation().moves())).map(Compensation::ref);
            return new PictureCommand.Compensates(c.renditionId(),
                new Compensated(c.compensation().moves(), kept, c.compensation().on(), c.compensation().madeFor()));
        }
        return command;
    }

    public void change(UUID id, int version, Change change) {
        dockets.change(id, version,
            placing.after(id, change instanceof PieceCommand.Fitted f && f.fit() == Frame.Fit.FILL ? filling(id, f) : change));
    }

    private Change filling(UUID id, PieceCommand.Fitted asked) {
        DocketRepository.Row row = dockets.get(id);
        if (Plans.single(row.spec().plan()).isEmpty()) {
            return asked;
        }
        SinglePiece piece = row.spec().single();
        SinglePiece filled = piece.filling(assessor.assess(row).facts().input(row.spec()));
        Frame frame = filled.item().frame();
        return filled.equals(piece.fitted(Frame.Fit.FILL)) ? asked
            : new PieceCommand.Filled(piece.item().id(), frame.widthMm(), frame.heightMm());
    }

    /**
     * Keeps that the proof of a rendition as it stands now was looked at; without a pairing there is none.
     *
     * @throws InvalidRequest when it is not on the docket
     */
    public void see(UUID id, String renditionId) {
        DocketRepository.Row row = dockets.get(id);
        row.spec().rendition(renditionId);
        Optional.ofNullable(assessor.assess(row).proofKeys().get(renditionId)).ifPresent(key -> dockets.see(id, key));
    }

    /** The same again as a docket of its own, to be put on another paper or size. */
    public UUID copy(UUID id) {
        DocketSpec d = dockets.get(id).spec();
        return dockets.add(d);
    }
}
