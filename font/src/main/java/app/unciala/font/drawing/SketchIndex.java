package app.unciala.font.drawing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.PriorityQueue;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** Finds the faces drawn most like one among many, by their sketches: exactly those that comparing with each would find. */
public final class SketchIndex<K extends Comparable<K>> {
    private final Map<K, Sketch> sketches = new LinkedHashMap<>();

    /** The same as a list that never changes, in which several search at once; null until it is asked for. */
    private @Nullable List<Known<K>> list;

    private record Known<K>(K key, Sketch sketch) {}

    /** A face found, and how alike it is by its sketch. */
    public record Near<K>(K key, double alike) {}

    private record Bound<K>(K key, Sketch sketch, double atMost) {}

    public synchronized void put(K key, Sketch sketch) {
        sketches.put(key, sketch);
        list = null;
    }

    public synchronized void keep(Set<K> keys) {
        sketches.keySet().retainAll(keys);
        list = null;
    }

    public synchronized boolean has(K key) {
        return sketches.containsKey(key);
    }

    public synchronized int size() {
        return sketches.size();
    }

    private synchronized List<Known<K>> list() {
        List<Known<K>> made = list;
        if (made == null) {
            made = new ArrayList<>(sketches.size());
            for (Map.Entry<K, Sketch> known : sketches.entrySet()) {
                made.add(new Known<>(known.getKey(), known.getValue()));
            }
            list = made;
        }
        return made;
    }

    /** The faces most like one, the nearest first; at most {@code most}, none below {@code atLeast}. */
    public List<Near<K>> nearest(Sketch sketch, double atLeast, int most) {
        List<Bound<K>> bounds = new ArrayList<>();
        for (Known<K> known : list()) {
            double atMost = sketch.atMost(known.sketch(), atLeast);
            if (atMost >= atLeast && atMost > 0) {
                bounds.add(new Bound<>(known.key(), known.sketch(), atMost));
            }
        }
        bounds.sort(Comparator.comparingDouble((Bound<K> bound) -> -bound.atMost()));
        Comparator<Near<K>> nearestFirst =
                Comparator.comparingDouble((Near<K> near) -> -near.alike()).thenComparing(Near::key);
        PriorityQueue<Near<K>> found = new PriorityQueue<>(nearestFirst.reversed());
        for (Bound<K> bound : bounds) {
            boolean full = found.size() >= most;
            if (full && (most == 0 || bound.atMost() < found.element().alike())) {
                break;
            }
            double alike = sketch.alike(bound.sketch());
            if (alike >= atLeast) {
                found.add(new Near<>(bound.key(), alike));
                if (found.size() > most) {
                    found.remove();
                }
            }
        }
        List<Near<K>> nearest = new ArrayList<>(found);
        nearest.sort(nearestFirst);
        return nearest;
    }
}
