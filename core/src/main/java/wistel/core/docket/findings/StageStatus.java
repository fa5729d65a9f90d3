package wistel.core.docket.findings;

/** How one stage of a docket stands: its one-line outcome and its mark. */
public record StageStatus(Stage stage, String outcome, Mark mark) {
    public enum Mark { SETTLED, LOOK, BLOCKED, OPEN }
}
