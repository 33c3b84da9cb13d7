package imperan.standins;

import java.net.SocketException;

/** Runs the stand-ins until the process is ended. One argument: the port of Bellows. */
public final class Main {

    private static final int BELLOWS_PORT = 7101;

    private Main() {
    }

    public static void main(String[] arguments) {
        int port = arguments.length > 0 ? Integer.parseInt(arguments[0]) : BELLOWS_PORT;
        Bellows bellows = new Bellows();
        try {
            UdpPost post = UdpPost.open(bellows, port);
            Runtime.getRuntime().addShutdownHook(new Thread(post::close));
            System.out.println("ready: " + bellows.name() + " on 127.0.0.1:" + post.port());
        } catch (SocketException e) {
            System.err.println("The stand-in " + bellows.name() + " cannot use UDP port " + port + ": "
                    + e.getMessage());
            System.exit(1);
        }
    }
}
