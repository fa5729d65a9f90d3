package wistel.core.docket.changes;

import java.util.Optional;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.light.HangingLight;

/** What a person decides of a docket as a whole. */
public sealed interface DocketCommand extends Command {
    record Titled(String title) implements DocketCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withTitle(title.isBlank() ? "Untitled" : title.strip());
        }

        @Override
        public String words() {
            return "title";
        }
    }

    record Noted(String notes) implements DocketCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withNotes(notes);
        }

        @Override
        public String words() {
            return "notes";
        }
    }

    /** The light that the print will hang in, or none in particular. */
    record HangsIn(Optional<HangingLight> light) implements DocketCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withLight(light);
        }

        @Override
        public String words() {
            return light.map(l -> "for " + l.words()).orElse("for no light in particular");
        }
    }

    record Copies(int copies) implements DocketCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withCopies(copies);
        }

        @Override
        public String words() {
            return copies == 1 ? "one copy" : copies + " copies";
        }
    }
}
