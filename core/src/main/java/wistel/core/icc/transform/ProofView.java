package wistel.core.icc.transform;

import wistel.core.icc.profile.Intent;

/** How a proof shows the paper on the display: the second half of its chain, from printer to display. */
public enum ProofView {
    /** Paper white becomes display white and ink black display black. */
    SCREEN_WHITE_AND_BLACK(Intent.RELATIVE, true),
    /** Paper white becomes display white; ink black keeps its lightness under it. */
    INK_BLACK(Intent.RELATIVE, false),
    /** Paper white and ink black as they would be measured. */
    PAPER_WHITE(Intent.ABSOLUTE, false);

    final Intent intent;
    final boolean blackPoint;

    ProofView(Intent intent, boolean blackPoint) {
        this.intent = intent;
        this.blackPoint = blackPoint;
    }
}
