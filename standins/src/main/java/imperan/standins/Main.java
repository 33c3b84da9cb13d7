package imperan.standins;

import java.io.IOException;
import java.util.Arrays;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Runs the stand-ins until the process is ended. Arguments, all with a default: the first of five ports on which they receive, the
 * first of five on which answers are awaited, the port of their page, and the names of those that are to run.
 */
public final class Main {

    private static final int FIRST_PORT = 7101;
    private static final int FIRST_ANSWER = 9201;
    private static final int PAGE_PORT = 7110;
    private static final int NUMBERS = 3;

    private Main() {}

    public static void main(String[] arguments) {
        int firstPort = number(arguments, 0, FIRST_PORT);
        Set<String> names = Arrays.stream(arguments).skip(NUMBERS).collect(Collectors.toSet());
        if (!Company.NAMES.containsAll(names)) {
            System.err.println("The stand-ins are " + String.join(", ", Company.NAMES));
            System.exit(2);
        }
        try {
            Company company = new Company(firstPort, number(arguments, 1, FIRST_ANSWER), names);
            PicturePage page = new PicturePage(company, number(arguments, 2, PAGE_PORT));
            Runtime.getRuntime().addShutdownHook(new Thread(() -> {
                page.close();
                company.close();
            }));
            announce(company, page.port());
            company.posts().forEach(post -> System.out.println(post.name() + " on 127.0.0.1:" + post.port()));
            System.out.println("ready: http://127.0.0.1:" + page.port());
        } catch (IOException e) {
            System.err.println(e.getMessage());
            System.exit(1);
        }
    }

    /** Where nobody may announce anything the devices can still be spoken to. */
    private static void announce(Company company, int pagePort) {
        try {
            Announcement announcement = new Announcement(company.posts(), pagePort);
            Runtime.getRuntime().addShutdownHook(new Thread(announcement::close));
        } catch (IOException e) {
            System.err.println("The stand-ins are not announced: " + e.getMessage());
        }
    }

    private static int number(String[] arguments, int place, int otherwise) {
        return arguments.length > place ? Integer.parseInt(arguments[place]) : otherwise;
    }
}
