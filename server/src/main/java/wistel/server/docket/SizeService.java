package wistel.server.docket;

import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import wistel.core.docket.changes.Change;
import wistel.core.docket.changes.PieceCommand;
import wistel.core.docket.changes.SheetCommand;
import wistel.core.fault.InvalidRequest;
import wistel.core.length.Length;
import wistel.core.paper.Stock;
import wistel.core.sheet.Borders;
import wistel.core.sheet.Frame;
import wistel.core.sheet.Page;
import wistel.core.sheet.Placed;
import wistel.core.sheet.Rect;
import wistel.core.sheet.SinglePiece;

/** Sizes and sheets as a person types them. */
@Service
public class SizeService {
    private final DocketRepository dockets;
    private final DocketAssessor assessor;
    private final DocketService decisions;
    private final OwnSheetRepository ownSheets;

    SizeService(DocketRepository dockets, DocketAssessor assessor, DocketService decisions, OwnSheetRepository ownSheets) {
        this.dockets = dockets;
        this.assessor = assessor;
        this.decisions = decisions;
        this.ownSheets = ownSheets;
    }

    /** Lengths as a person typed them, with units; one of them, or all four borders, is given. */
    public record SizeRequest(Optional<String> width, Optional<String> height, Optional<String> ppi, Optional<String> left,
        Optional<String> top, Optional<String> right,
        Optional<String> bottom, Optional<BordersAsked> borders) {
    }

    public record BordersAsked(String top, String right, String bottom, String left) {
    }

    /** The others follow from the picture. */
    public void resize(UUID id, int version, SizeRequest asked) {
        DocketAssessment judged = assessor.assess(dockets.get(id));
        SinglePiece plan = judged.row().spec().single();
        Page page = judged.layout().pages().get(0);
        Placed placed = page.placed().get(0);
        decisions.change(id, version,
            asked.borders.<Change>map(b -> new SheetCommand.Bordered(new Borders.Sides(mm(b.top), mm(b.right), mm(b.bottom), mm(b.left))))
                .or(() -> moved(asked, page, placed.atMm())).orElseGet(() -> sized(asked, plan, placed)));
    }

    /** A border of the picture's place: the picture keeps its size and moves, the border across from it takes up the rest. */
    private static Optional<Change> moved(SizeRequest asked, Page page, Rect at) {
        Optional<Double> x = asked.left.map(SizeService::mm).or(() -> asked.right.map(r -> page.widthMm() - mm(r) - at.width()));
        Optional<Double> y = asked.top.map(SizeService::mm).or(() -> asked.bottom.map(b -> page.heightMm() - mm(b) - at.height()));
        return x.isEmpty() && y.isEmpty() ? Optional.empty()
            : Optional.of(new SheetCommand.Laid(new Rect(x.orElse(at.x()), y.orElse(at.y()), at.width(), at.height())));
    }

    private static Change sized(SizeRequest asked, SinglePiece piece, Placed placed) {
        Rect at = placed.atMm();
        boolean whole = piece.item().frame().fit() == Frame.Fit.WHOLE;
        double aspect = at.width() / at.height();
        double w = at.width();
        double h = at.height();
        if (asked.width.isPresent()) {
            w = mm(asked.width.get());
            h = whole ? w / aspect : h;
        } else if (asked.height.isPresent()) {
            h = mm(asked.height.get());
            w = whole ? h * aspect : w;
        } else {
            double factor = placed.ppi() / number(asked.ppi.orElse(""));
            w *= factor;
            h *= factor;
        }
        // laid by hand it stays about its middle, else the borders place it
        return piece.plan().borders() instanceof Borders.Sides && w >= Frame.SMALLEST_MM && h >= Frame.SMALLEST_MM
            ? new SheetCommand.Laid(new Rect(at.x() + (at.width() - w) / 2, at.y() + (at.height() - h) / 2, w, h))
            : new PieceCommand.Framed(piece.item().id(), w, h);
    }

    private static double mm(String written) {
        return Length.parseMm(written, Length.Unit.MM);
    }

    /** As large as can be printed. */
    public void enlarge(UUID id, int version) {
        DocketRepository.Row row = dockets.get(id);
        SinglePiece piece = row.spec().single();
        Frame largest = piece.largest(assessor.assess(row).facts().input(row.spec()));
        decisions.change(id, version, new PieceCommand.Framed(piece.item().id(), largest.widthMm(), largest.heightMm()));
    }

    /** A sheet cut to measure, with a name to find it again by where one is given. */
    public void cutSheet(UUID id, int version, String width, String length, String name) {
        double w = mm(width);
        double l = mm(length);
        Stock.Sheet sheet = new Stock.Sheet(
            name.isBlank() ? "sheet of " + Length.mm(Math.min(w, l)) + " × " + Length.mm(Math.max(w, l)) : name.strip(), Math.min(w, l),
            Math.max(w, l));
        DocketAssessment judged = assessor.assess(dockets.get(id));
        decisions.change(id, version, new SheetCommand.Stocked(sheet, judged.facts().feedFor(judged.row().spec(), sheet)));
        if (!name.isBlank()) {
            ownSheets.keep(sheet);
        }
    }

    private static double number(String ppi) {
        try {
            double v = Double.parseDouble(ppi.replace(',', '.').replaceAll("\\s*ppi\\s*$", "").trim());
            if (v >= 10 && v <= 10_000) {
                return v;
            }
        } catch (NumberFormatException e) {
            // told below
        }
        throw new InvalidRequest(InvalidRequest.Reason.PPI_UNCLEAR, "'" + ppi + "' is not a number of pixels per inch.",
            "Write a number from 10 to 10000.");
    }
}
