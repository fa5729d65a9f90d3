package wistel.core.docket;

import java.util.stream.Stream;
import wistel.core.docket.Finding.Mend;
import wistel.core.sheet.Layout;

/** A picture whose file doesn't say what its numbers mean. */
final class PictureRule implements Rule {
    @Override
    public Stream<Finding> check(DocketSpec d, PreflightFacts facts, Layout layout) {
        return d.renditions().stream().filter(r -> !r.profileConfirmed() && !facts.pictures().get(r.id()).hasProfile()).map(r -> {
            PreflightFacts.Picture picture = facts.pictures().get(r.id());
            String what = picture.profileProblem().isEmpty() ? "The file says nothing about its colour space." : picture.profileProblem();
            return Finding.look(Stage.PICTURE, "profile-missing", what,
                "Its numbers are read as " + picture.sourceName() + "; if it came from another space, the print is duller or louder than meant.",
                new Mend("Read it as " + picture.sourceName(), new Change.ProfileConfirmed(r.id())));
        });
    }
}
