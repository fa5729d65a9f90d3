package wistel.core.docket.findings;

import java.util.Optional;
import java.util.stream.Stream;
import wistel.core.docket.findings.Finding.Code;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.docket.words.DocketPhrases;
import wistel.core.length.Length;
import wistel.core.paper.SheetSize;
import wistel.core.paper.Stock;
import wistel.core.printer.MediaRow;
import wistel.core.sheet.Layout;

/** What lies in the feed now against what the docket wants. */
final class LoadedPaperRule implements Rule {
    @Override
    public Stream<Finding> check(DocketSpec d, PreflightFacts facts, Layout layout) {
        if (facts.pairing().isEmpty() || facts.printer().isEmpty() || facts.state().away()) {
            return Stream.empty();
        }
        String type = d.settings().mediaType();
        Optional<MediaRow> loaded = facts.state().loaded().stream().filter(l -> l.feed().equals(d.settings().feed())).findFirst()
            .filter(
                l -> !l.type().equals(type) || layout.pages().stream().anyMatch(page -> !l.fits(page.fedWidthMm(), page.fedHeightMm())));
        return loaded.map(l -> Finding.look(Stage.RELEASE, Code.OTHER_PAPER_LOADED,
            DocketPhrases.capital(facts.described().feed(d.settings().feed())) + " holds " + size(l) + " "
                + facts.described().type(l.type()) + " now.",
            "Load " + wanted(d.stock()) + facts.described().type(type) + " first; the printer waits for it.")).stream();
    }

    private static String wanted(Stock stock) {
        return stock instanceof Stock.Roll roll ? "the " + roll.widthWords() + " roll of " : stock.name() + " ";
    }

    private static String size(MediaRow loaded) {
        double width = loaded.widthMm().to();
        double length = loaded.lengthMm().to();
        if (loaded.roll()) {
            return new Stock.Roll(width).widthWords();
        }
        return SheetSize.near(width, length).map(SheetSize::name).orElse(Length.mm(width) + " × " + Length.mm(length) + " mm");
    }
}
