package wistel.core.docket.findings;

/** The stages that a docket goes through, in order. */
public enum Stage { PICTURE, PAPER, SIZE, PROOF, MACHINE, RELEASE }
