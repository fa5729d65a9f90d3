package wistel.core.icc.making;

/** Capitals and figures of three by five pixels, for what stands beside a chart's patches. */
final class SmallType {
    static final int WIDTH = 3;
    static final int HEIGHT = 5;
    private static final String LETTERS = "ABCDEFGHIJKLMNOPQRSTUVWXYZ0123456789";
    /** Row by row, a bit a pixel, the left one highest; one character's five rows after another. */
    private static final String ROWS = "25755" + "65656" + "34443" + "65556" + "74647" + "74644" + "34553" + "55755" + "72227" + "11152"
        + "55655" + "44447" + "57755" + "57775" + "25552" + "65644" + "25563" + "65655" + "34216" + "72222" + "55557" + "55552" + "55775"
        + "55255" + "55222" + "71247" + "75557" + "26227" + "71747" + "71317" + "55711" + "74717" + "74757" + "71122" + "75757" + "75717";

    private SmallType() {
    }

    /** @throws IllegalArgumentException of anything but capitals and figures */
    static boolean dark(char letter, int x, int y) {
        int at = LETTERS.indexOf(letter);
        if (at < 0) {
            throw new IllegalArgumentException("no form for " + letter);
        }
        return (ROWS.charAt(at * HEIGHT + y) - '0' >> (WIDTH - 1 - x) & 1) == 1;
    }
}
