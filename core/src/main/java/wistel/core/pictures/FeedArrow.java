package wistel.core.pictures;

import java.util.Arrays;

/** An arrow that points at the edge of the paper that goes into the printer first, as 16-bit gray L*: black on paper white. */
public final class FeedArrow {
    public static final int WIDTH = 120;
    public static final int HEIGHT = 200;
    private static final int TIP_ROWS = 80;
    private static final int SHAFT = 20;

    private FeedArrow() {
    }

    public static char[] picture() {
        char[] gray = new char[WIDTH * HEIGHT];
        Arrays.fill(gray, (char) 65535);
        for (int y = 0; y < HEIGHT; y++) {
            int half = y < TIP_ROWS ? y * (WIDTH / 2) / TIP_ROWS : SHAFT;
            Arrays.fill(gray, y * WIDTH + WIDTH / 2 - half, y * WIDTH + WIDTH / 2 + half, (char) 0);
        }
        return gray;
    }
}
