package app.unciala.font.layout.packing;

import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** A piece of a table being written: bytes, and places in them that hold the offset from here to another piece. */
public final class Block {
    /** The offset at byte {@code at}, of two, three or four bytes. */
    record Link(int at, int size, Block target) {}

    private final ByteSink bytes = new ByteSink(32);
    private final List<Link> links = new ArrayList<>();

    public Block u8(int value) {
        bytes.u8(value);
        return this;
    }

    public Block u16(int value) {
        bytes.u16(value);
        return this;
    }

    /** 16-bit numbers, one after the other. */
    public Block u16s(int[] values) {
        for (int value : values) {
            bytes.u16(value);
        }
        return this;
    }

    public Block u32(long value) {
        bytes.u32(value);
        return this;
    }

    public Block tag(String tag) {
        bytes.tag(tag);
        return this;
    }

    public Block bytes(ByteView view) {
        bytes.bytes(view);
        return this;
    }

    public Block bytes(byte[] more) {
        bytes.bytes(more);
        return this;
    }

    /** A 16-bit offset to the piece, or zero where there is none. */
    public Block link(@Nullable Block target) {
        return link(target, 2);
    }

    /** A 32-bit offset to the piece, or zero where there is none. */
    public Block link32(@Nullable Block target) {
        return link(target, 4);
    }

    /** A 24-bit offset to the piece. */
    public Block link24(Block target) {
        return link(target, 3);
    }

    private Block link(@Nullable Block target, int size) {
        if (target != null) {
            links.add(new Link(bytes.size(), size, target));
        }
        bytes.bytes(new byte[size]);
        return this;
    }

    int size() {
        return bytes.size();
    }

    List<Link> links() {
        return links;
    }

    public byte[] toArray() {
        return bytes.toArray();
    }
}
