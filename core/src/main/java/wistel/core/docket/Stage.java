package wistel.core.docket;

/** The stages that a docket goes through, in order. */
public enum Stage { PICTURE, PAPER, SIZE, PROOF, MACHINE, RELEASE }
