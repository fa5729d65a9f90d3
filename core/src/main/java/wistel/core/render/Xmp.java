package wistel.core.render;

import java.nio.charset.StandardCharsets;

/** Metadata of a file that leaves Wistel, as an XMP packet (ISO 16684-1): its title. */
public final class Xmp {
    private Xmp() {
    }

    public static byte[] titled(String title) {
        String clean = title.replaceAll("\\p{Cntrl}", " ").replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;");
        return ("<?xpacket begin=\"\uFEFF\" id=\"W5M0MpCehiHzreSzNTczkc9d\"?>"
            + "<x:xmpmeta xmlns:x=\"adobe:ns:meta/\"><rdf:RDF xmlns:rdf=\"http://www.w3.org/1999/02/22-rdf-syntax-ns#\">"
            + "<rdf:Description rdf:about=\"\" xmlns:dc=\"http://purl.org/dc/elements/1.1/\"><dc:title><rdf:Alt><rdf:li "
            + "xml:lang=\"x-default\">"
            + clean
            + "</rdf:li></rdf:Alt></dc:title></rdf:Description></rdf:RDF></x:xmpmeta><?xpacket end=\"r\"?>")
            .getBytes(StandardCharsets.UTF_8);
    }
}
