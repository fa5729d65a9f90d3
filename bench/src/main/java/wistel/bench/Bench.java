package wistel.bench;

/**
 * {@code bench colour}: pixels per second beside the JDK's CMM in the same run. {@code bench print}: reading in and pages of several sizes,
 * time by stages and peak memory. {@code bench wrap}: sides round a large face. {@code bench packing}: how tightly pieces are laid. {@code bench together}: a
 * page of a hundred pictures. {@code bench tiles}: a picture over several sheets, and a long one.
 */
public final class Bench {
    private Bench() {
    }

    public static void main(String[] args) throws Exception {
        String what = args.length == 0 ? "" : args[0];
        switch (what) {
            case "colour" -> ColourReport.run();
            case "print" -> PrintBench.run();
            case "wrap" -> WrapBench.run();
            case "packing" -> PackingBench.run();
            case "together" -> TogetherBench.run();
            case "tiles" -> TilesBench.run();
            default -> System.out.println(
                """
                    usage: ./wistel bench colour|print|wrap|packing|together|tiles
                      colour  RGB16 through matrix and table profiles, fast and exact, beside the JDK's ColorConvertOp; proofs
                      and gamut maps
                      print   reading the largest demo picture in, beside the JDK's decoder alone,
                      and pages of it up to 44 x 96 in; seconds, shares, peak heap
                      wrap    a face of 36 x 24 in with sides of 50 mm, mirrored and grown, beside the face unwrapped; seconds,
                      peak heap
                      packing strips cut up at random and packed again: length above the least, and time, beside rows
                      together a page of A2 with a hundred pictures of forty masters, beside one picture; seconds, heap, scratch
                      tiles   3 x 2 m planned over every sheet and its joints found; twelve A2 and a long print beside one
                      picture; seconds, heap""");
        }
    }
}
