package wistel.core.docket;

import wistel.core.docket.Finding.Station;

/** How one stage of a docket stands: its one-line outcome and its mark. */
public record StageStatus(Station station, String outcome, Mark mark) {
    public enum Mark { SETTLED, LOOK, BLOCKED, OPEN }
}
