package wistel.core.icc.transform;

/**
 * How the person who compares absolute colours sees (ICC.1:2022, annex E): adapted to the connection space's white, which is the standard's
 * way, or not at all.
 */
public enum Observer {
    ADAPTED, NOT_ADAPTED
}
