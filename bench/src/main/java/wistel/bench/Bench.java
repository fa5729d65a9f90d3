package wistel.bench;

/** {@code bench colour}: pixels per second beside the JDK's CMM in the same run. {@code bench print}: one A3+ page, time and peak memory. */
public final class Bench {
    private Bench() {
    }

    public static void main(String[] args) throws Exception {
        String what = args.length == 0 ? "" : args[0];
        switch (what) {
            case "colour" -> ColourReport.run();
            case "print" -> PrintBench.run();
            default -> System.out.println("""
                usage: ./wistel bench colour|print
                  colour  RGB16 through matrix and table profiles, fast and exact, beside the JDK's ColorConvertOp; proofs and gamut maps
                  print   the largest demo picture to an A3+ page at 360 dpi; seconds and peak heap""");
        }
    }
}
