package app.unciala.font.layout.packing;

import app.unciala.font.bytes.ByteSink;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.PriorityQueue;

/**
 * Lays pieces out one behind the other, equal ones once. Offsets only point onward, so a piece follows all that point
 * to it; among those that may come next, the one nearest to the root does, which keeps 16-bit offsets short.
 */
public final class BlockPacker {
    /** A distinct piece; {@code distance} is the fewest bytes that lie on a way to it from the root. */
    private static final class Node {
        final byte[] bytes;
        final List<Block.Link> links;
        final List<Node> targets = new ArrayList<>();
        final int order;
        int pointers;
        long distance = Long.MAX_VALUE;
        int offset;

        Node(byte[] bytes, List<Block.Link> links, int order) {
            this.bytes = bytes;
            this.links = links;
            this.order = order;
        }
    }

    /** What makes two pieces one: the same bytes, pointing at the same places to the same pieces. */
    private record Content(int hash, byte[] bytes, List<Integer> links) {
        @Override
        public boolean equals(Object other) {
            return other instanceof Content that
                    && hash == that.hash
                    && Arrays.equals(bytes, that.bytes)
                    && links.equals(that.links);
        }

        @Override
        public int hashCode() {
            return hash;
        }
    }

    private final IdentityHashMap<Block, Node> nodes = new IdentityHashMap<>();
    private final Map<Content, Node> distinct = new HashMap<>();

    private BlockPacker() {}

    /** The bytes of the root and all it reaches, or nothing when some offset cannot reach its target. */
    public static Optional<byte[]> pack(Block root) {
        BlockPacker packer = new BlockPacker();
        Node first = packer.node(root);
        packer.distances(first);
        return packer.layOut(packer.ordered(first));
    }

    private Node node(Block block) {
        Node known = nodes.get(block);
        if (known != null) {
            return known;
        }
        List<Node> targets = new ArrayList<>();
        List<Integer> places = new ArrayList<>();
        for (Block.Link link : block.links()) {
            Node target = node(link.target());
            targets.add(target);
            places.add(link.at());
            places.add(target.order);
        }
        byte[] bytes = block.toArray();
        Content content = new Content(31 * Arrays.hashCode(bytes) + places.hashCode(), bytes, places);
        Node node = distinct.get(content);
        if (node == null) {
            node = new Node(bytes, block.links(), distinct.size());
            node.targets.addAll(targets);
            targets.forEach(target -> target.pointers++);
            distinct.put(content, node);
        }
        nodes.put(block, node);
        return node;
    }

    private void distances(Node root) {
        PriorityQueue<Node> open = new PriorityQueue<>(byDistance());
        root.distance = 0;
        open.add(root);
        while (!open.isEmpty()) {
            Node node = open.remove();
            for (int i = 0; i < node.targets.size(); i++) {
                Node target = node.targets.get(i);
                // What a 32-bit offset points to can wait behind all that 16-bit offsets must reach.
                long far = node.links.get(i).size() == 4 ? 1L << 32 : 0;
                long distance = node.distance + target.bytes.length + far;
                if (distance < target.distance) {
                    open.remove(target);
                    target.distance = distance;
                    open.add(target);
                }
            }
        }
    }

    private static Comparator<Node> byDistance() {
        return Comparator.<Node>comparingLong(node -> node.distance).thenComparingInt(node -> node.order);
    }

    private List<Node> ordered(Node root) {
        List<Node> order = new ArrayList<>();
        PriorityQueue<Node> ready = new PriorityQueue<>(byDistance());
        ready.add(root);
        while (!ready.isEmpty()) {
            Node node = ready.remove();
            order.add(node);
            for (Node target : node.targets) {
                if (--target.pointers == 0) {
                    ready.add(target);
                }
            }
        }
        return order;
    }

    private Optional<byte[]> layOut(List<Node> order) {
        ByteSink out = new ByteSink(1 << 12);
        for (Node node : order) {
            node.offset = out.size();
            out.bytes(node.bytes);
        }
        for (Node node : order) {
            for (int i = 0; i < node.targets.size(); i++) {
                Block.Link link = node.links.get(i);
                int offset = node.targets.get(i).offset - node.offset;
                if (link.size() < 4 && (offset >>> (8 * link.size())) != 0) {
                    return Optional.empty();
                }
                switch (link.size()) {
                    case 2 -> out.putU16(node.offset + link.at(), offset);
                    case 3 -> out.putU24(node.offset + link.at(), offset);
                    default -> out.putU32(node.offset + link.at(), offset);
                }
            }
        }
        return Optional.of(out.toArray());
    }
}
