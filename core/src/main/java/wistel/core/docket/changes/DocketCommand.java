package wistel.core.docket.changes;

import wistel.core.docket.spec.DocketSpec;

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
