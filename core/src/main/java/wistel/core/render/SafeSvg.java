package wistel.core.render;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import javax.xml.XMLConstants;
import javax.xml.parsers.DocumentBuilder;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import javax.xml.transform.OutputKeys;
import javax.xml.transform.Transformer;
import javax.xml.transform.TransformerException;
import javax.xml.transform.TransformerFactory;
import javax.xml.transform.dom.DOMSource;
import javax.xml.transform.stream.StreamResult;
import org.w3c.dom.Attr;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.NamedNodeMap;
import org.w3c.dom.Node;
import org.xml.sax.InputSource;
import org.xml.sax.SAXException;
import org.xml.sax.helpers.DefaultHandler;
import wistel.core.fault.InvalidRequest;

/**
 * An SVG with nothing in it but shapes (SVG 1.1, chapters 5, 7 to 9, 11, 13, 14): scripts, handlers, links to elsewhere and what other
 * programs keep in it are taken out; what would be drawn otherwise than it looks in its editor is refused.
 */
public final class SafeSvg {
    public static final int MOST_BYTES = 2 << 20;
    private static final int MOST_ELEMENTS = 20_000;
    private static final int DEEPEST = 60;
    private static final String SVG = "http://www.w3.org/2000/svg";
    private static final Set<String> SHAPES = Set.of("svg", "g", "path", "rect", "circle", "ellipse", "line", "polyline", "polygon", "defs",
        "linearGradient", "radialGradient", "stop", "clipPath", "mask", "use", "symbol", "style", "title", "desc");

    private int elements;

    private SafeSvg() {
    }

    /** @throws InvalidRequest when it is no SVG, or holds text, pictures or effects */
    public static byte[] of(byte[] file) {
        if (file.length > MOST_BYTES) {
            throw unfit("This drawing is larger than " + (MOST_BYTES >> 20) + " MB.", "Simplify its outlines, or export it as PNG.");
        }
        try {
            DocumentBuilder builder = builder();
            builder.setErrorHandler(new DefaultHandler());
            builder.setEntityResolver((publicId, systemId) -> new InputSource(new ByteArrayInputStream(new byte[0])));
            Document document = builder.parse(new ByteArrayInputStream(file));
            Element root = document.getDocumentElement();
            if (document.getDoctype() != null && document.getDoctype().getEntities().getLength() > 0) {
                throw unfit("This drawing declares entities.", "Export it as plain SVG.");
            }
            if (!SVG.equals(root.getNamespaceURI()) || !root.getLocalName().equals("svg")) {
                throw unfit("This file is no SVG.", "Bring an SVG or a PNG.");
            }
            new SafeSvg().clean(root, 0);
            return written(root);
        } catch (SAXException | IOException e) {
            throw unfit("This file is no SVG that can be read: " + shortened(e.getMessage()), "Export it anew as plain SVG.");
        } catch (ParserConfigurationException | TransformerException e) {
            throw new IllegalStateException(e);
        }
    }

    private static String shortened(String message) {
        return message == null ? "it is damaged." : message.length() > 120 ? message.substring(0, 120) + "…" : message;
    }

    private static DocumentBuilder builder() throws ParserConfigurationException {
        DocumentBuilderFactory factory = DocumentBuilderFactory.newInstance();
        factory.setNamespaceAware(true);
        factory.setExpandEntityReferences(false);
        factory.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
        factory.setFeature("http://xml.org/sax/features/external-general-entities", false);
        factory.setFeature("http://xml.org/sax/features/external-parameter-entities", false);
        factory.setFeature("http://apache.org/xml/features/nonvalidating/load-external-dtd", false);
        return factory.newDocumentBuilder();
    }

    private static byte[] written(Element root) throws TransformerException {
        TransformerFactory factory = TransformerFactory.newInstance();
        factory.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
        Transformer transformer = factory.newTransformer();
        transformer.setOutputProperty(OutputKeys.ENCODING, StandardCharsets.UTF_8.name());
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        transformer.transform(new DOMSource(root), new StreamResult(out));
        return out.toByteArray();
    }

    private void clean(Element element, int depth) {
        if (++elements > MOST_ELEMENTS || depth > DEEPEST) {
            throw unfit("This drawing has more parts than can be drawn.", "Simplify it, or export it as PNG.");
        }
        attributes(element);
        List<Node> children = new ArrayList<>();
        for (Node child = element.getFirstChild(); child != null; child = child.getNextSibling()) {
            children.add(child);
        }
        for (Node child : children) {
            if (child instanceof Element inner) {
                if (drawn(inner)) {
                    clean(inner, depth + 1);
                } else {
                    element.removeChild(inner);
                }
            } else if (child.getNodeType() != Node.TEXT_NODE && child.getNodeType() != Node.CDATA_SECTION_NODE) {
                element.removeChild(child);
            }
        }
        if (element.getLocalName().equals("style") && (fetches(element.getTextContent()) || element.getTextContent().contains("@"))) {
            throw unfit("This drawing's style refers to something outside of it.", "Export it as plain SVG.");
        }
    }

    private static boolean drawn(Element element) {
        if (!SVG.equals(element.getNamespaceURI())) {
            return false;
        }
        return switch (element.getLocalName()) {
            case "text", "tspan", "textPath" -> throw unfit("This drawing holds text, whose typeface isn't in it.",
                "Turn the text into outlines, or bring a line of text instead.");
            case "image", "feImage" -> throw unfit("This drawing holds a picture.", "Export it as PNG.");
            case "filter" -> throw unfit("This drawing holds effects that depend on the size it is drawn at.", "Export it as PNG.");
            default -> SHAPES.contains(element.getLocalName());
        };
    }

    private static void attributes(Element element) {
        NamedNodeMap all = element.getAttributes();
        List<Attr> gone = new ArrayList<>();
        for (int i = 0; i < all.getLength(); i++) {
            Attr attribute = (Attr) all.item(i);
            String name = attribute.getLocalName() == null ? attribute.getName() : attribute.getLocalName();
            boolean declares = attribute.getName().startsWith("xmlns");
            boolean elsewhere = name.equals("href") && !attribute.getValue().startsWith("#");
            boolean foreign = attribute.getNamespaceURI() != null && !declares && !name.equals("href") && !name.equals("space");
            if (name.toLowerCase(Locale.ROOT).startsWith("on") || elsewhere || foreign || fetches(attribute.getValue())) {
                gone.add(attribute);
            }
        }
        gone.forEach(element::removeAttributeNode);
    }

    /** Whether a value names anything but a part of the same drawing. */
    private static boolean fetches(String value) {
        String plain = value.replaceAll("\\s", "").toLowerCase(Locale.ROOT);
        return plain.contains("javascript:") || plain.replaceAll("url\\(['\"]?#", "").contains("url(");
    }

    private static InvalidRequest unfit(String what, String next) {
        return new InvalidRequest(InvalidRequest.Reason.DRAWING_UNFIT, what, next);
    }
}
