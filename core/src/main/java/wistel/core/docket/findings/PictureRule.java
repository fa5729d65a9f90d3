package wistel.core.docket.findings;

import java.util.stream.Stream;
import wistel.core.docket.changes.PictureCommand;
import wistel.core.docket.findings.Finding.Code;
import wistel.core.docket.findings.Finding.Fix;
import wistel.core.docket.findings.Finding.Subject;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.rendition.HueMix;
import wistel.core.rendition.Treatment;
import wistel.core.sheet.Layout;

/** A picture whose file doesn't say what its numbers mean, or that is treated as what it isn't. */
final class PictureRule implements Rule {
    @Override
    public Stream<Finding> check(DocketSpec d, PreflightFacts facts, Layout layout) {
        return Stream.concat(unread(d, facts), hueless(d, facts));
    }

    /** A gray picture has no hues that a mix could tell apart. */
    private static Stream<Finding> hueless(DocketSpec d, PreflightFacts facts) {
        return d.renditions().stream().filter(r -> facts.pictures().get(r.id()).channels() == 1)
            .flatMap(r -> r.treatment() instanceof Treatment.Monochrome m && !m.mix().even()
                ? Stream.of(Finding
                    .note(Stage.PICTURE, Code.MIX_WITHOUT_HUES, "The mix by hue does nothing to this picture.",
                        "It came in gray, so there are no hues to tell apart.",
                        new Fix("Leave the mix out",
                            new PictureCommand.Treated(r.id(), new Treatment.Monochrome(HueMix.EVEN, m.toning()))))
                    .of(new Subject.OfPicture(r.id())))
                : Stream.empty());
    }

    private static Stream<Finding> unread(DocketSpec d, PreflightFacts facts) {
        return d.renditions().stream().filter(r -> !r.profileConfirmed() && !facts.pictures().get(r.id()).hasProfile()).map(r -> {
            PreflightFacts.Picture picture = facts.pictures().get(r.id());
            String what = picture.profileProblem().isEmpty() ? "The file says nothing about its colour space." : picture.profileProblem();
            return Finding.look(Stage.PICTURE, Code.PROFILE_MISSING, what,
                "Its numbers are read as " + picture.sourceName()
                    + "; if it came from another space, the print is duller or louder than meant.",
                new Fix("Read it as " + picture.sourceName(), new PictureCommand.ProfileConfirmed(r.id())))
                .of(new Subject.OfPicture(r.id()));
        });
    }
}
