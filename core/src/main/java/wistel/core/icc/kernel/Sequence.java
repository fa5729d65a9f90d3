package wistel.core.icc.kernel;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** Kernels one after another, block by block. */
public record Sequence(List<Kernel> parts) implements Kernel {
    /** @throws IllegalArgumentException without parts, or where one has not as many inputs as the one before has outputs */
    public Sequence {
        List<Kernel> flat = new ArrayList<>();
        parts.forEach(part -> flat.addAll(part instanceof Sequence several ? several.parts : List.of(part)));
        parts = List.copyOf(flat);
        if (parts.isEmpty()) {
            throw new IllegalArgumentException("nothing in a row");
        }
        for (int i = 1; i < parts.size(); i++) {
            if (parts.get(i).inputs() != parts.get(i - 1).outputs()) {
                throw new IllegalArgumentException(parts.get(i - 1).outputs() + " channels into " + parts.get(i).inputs());
            }
        }
    }

    public static Sequence of(Kernel... parts) {
        return new Sequence(Arrays.asList(parts));
    }

    @Override
    public int inputs() {
        return parts.get(0).inputs();
    }

    @Override
    public int outputs() {
        return parts.get(parts.size() - 1).outputs();
    }

    @Override
    public PixelEnds ends() {
        // one part's ends may be quicker than the plain ones, and all give the same planes
        return parts.stream().map(Kernel::ends).filter(e -> e != PixelEnds.PLAIN).findFirst().orElse(PixelEnds.PLAIN);
    }

    @Override
    public List<Loop> loops(int[][] in, int[][] out) {
        List<Loop> loops = new ArrayList<>();
        int[][] from = in;
        for (int i = 0; i < parts.size(); i++) {
            int[][] to = i == parts.size() - 1 ? out : new int[parts.get(i).outputs()][BLOCK];
            loops.addAll(parts.get(i).loops(from, to));
            from = to;
        }
        return loops;
    }

    @Override
    public long bytes() {
        return parts.stream().mapToLong(Kernel::bytes).sum();
    }
}
