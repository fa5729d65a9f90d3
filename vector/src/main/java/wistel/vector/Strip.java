package wistel.vector;

/** Where the pixels of the block at hand come from and go to. Of one thread. */
final class Strip {
    final char[] in;
    final char[] out;
    int inAt;
    int outAt;

    Strip(char[] in, char[] out) {
        this.in = in;
        this.out = out;
    }
}
