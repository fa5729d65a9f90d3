package wistel.server.printer;

import java.io.BufferedInputStream;
import java.io.ByteArrayInputStream;
import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.SequenceInputStream;
import java.io.UncheckedIOException;
import java.net.http.HttpRequest.BodyPublisher;
import java.net.http.HttpRequest.BodyPublishers;
import java.nio.ByteBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.Flow;
import java.util.concurrent.atomic.AtomicLong;

/** A request's body from a head and a file, which tells how much of it went out. */
final class CountedFile {
    private final byte[] head;
    private final Path file;
    private final AtomicLong sent = new AtomicLong();

    CountedFile(byte[] head, Path file) {
        this.head = head;
        this.file = file;
    }

    long sent() {
        return sent.get();
    }

    BodyPublisher publisher() throws IOException {
        BodyPublisher bytes = BodyPublishers.ofInputStream(() -> {
            try {
                return new SequenceInputStream(new ByteArrayInputStream(head),
                    new Counting(new BufferedInputStream(Files.newInputStream(file), 1 << 17)));
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        });
        // the length is known, so the document goes out plainly and not in chunks, which some printers don't take
        long length = head.length + Files.size(file);
        return new BodyPublisher() {
            @Override
            public long contentLength() {
                return length;
            }

            @Override
            public void subscribe(Flow.Subscriber<? super ByteBuffer> subscriber) {
                bytes.subscribe(subscriber);
            }
        };
    }

    private final class Counting extends FilterInputStream {
        Counting(InputStream in) {
            super(in);
        }

        @Override
        public int read(byte[] into, int off, int len) throws IOException {
            int n = super.read(into, off, len);
            sent.addAndGet(Math.max(0, n));
            return n;
        }
    }
}
