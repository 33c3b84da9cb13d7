package imperan.standins;

import imperan.osc.StreamFraming;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/**
 * The devices of the Salt Clock, each on its own port: Bellows on the first, then Wick, Sluice, Eddy and Keel on the four after it.
 * Wick and Sluice answer to ports that they were set to: the second and third of those on which answers are awaited.
 */
public final class Company implements AutoCloseable {

    public static final List<String> NAMES = List.of("Bellows", "Wick", "Sluice", "Eddy", "Keel");

    private final List<Post> posts = new ArrayList<>();
    private volatile Eddy eddy = new Eddy();

    /**
     * @param firstPort   of the five ports
     * @param firstAnswer of the five ports on which answers are awaited
     * @param names       who comes; all of them where it is empty
     * @throws IOException where a port is taken; it says which, and nothing stays open
     */
    public Company(int firstPort, int firstAnswer, Set<String> names) throws IOException {
        for (String name : NAMES) {
            if (names.isEmpty() || names.contains(name)) {
                int port = firstPort + NAMES.indexOf(name);
                try {
                    posts.add(open(name, port, StandIn.Peer.datagrams("127.0.0.1", firstAnswer + NAMES.indexOf(name))));
                } catch (IOException e) {
                    close();
                    throw new IOException(
                            "The stand-in " + name + " cannot use port " + port + ": " + e.getMessage(), e);
                }
            }
        }
    }

    private Post open(String name, int port, StandIn.Peer answersTo) throws IOException {
        return switch (name) {
            case "Bellows" -> UdpPost.open(Bellows::new, port);
            case "Wick" -> UdpPost.open(() -> new Wick(answersTo), port);
            case "Sluice" -> UdpPost.open(() -> new Sluice(answersTo, true), port);
            case "Eddy" -> UdpPost.open(this::builtEddy, port);
            default -> TcpPost.open(Keel::new, StreamFraming.SLIP, port);
        };
    }

    /** The page serves the address space of the one that is on now. */
    private Eddy builtEddy() {
        eddy = new Eddy();
        return eddy;
    }

    /** All of them are switched off and on. */
    public void restart() {
        posts.forEach(Post::restart);
    }

    public List<Post> posts() {
        return List.copyOf(posts);
    }

    /** A device by its name, in any spelling. */
    public Post post(String name) {
        return posts.stream()
                .filter(post -> post.name().equalsIgnoreCase(name))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("There is no stand-in " + name + " here"));
    }

    Eddy eddy() {
        return eddy;
    }

    @Override
    public void close() {
        posts.forEach(Post::close);
    }
}
