namespace Yardang.Web.Operating;

/// <summary>What whoever runs the server types: <c>yardang backup</c> and the like. Everything else begins the server.</summary>
public static class OperatorCommands
{
    private const string Words =
        """
        yardang                             the server itself
        yardang backup FILE                 all of the school in one file, while the server runs
        yardang restore FILE [FOLDER]       a backup, into the data folder or another that is empty
        yardang account add NAME EMAIL      an account for a teacher, with a link to choose a password
        yardang account link EMAIL          another link, for who has forgotten the password
        yardang account invite EMAIL        an invitation to make an account
        yardang settings                    whether the settings can be read
        yardang version                     which version this is
        """;

    /// <summary>Whether these words are a command, and not the beginning of the server. Options begin with a dash.</summary>
    public static bool IsOne(string[] args) => args is [{ Length: > 0 } first, ..] && first[0] is not '-' and not '/';

    /// <summary>A command that needs no server; null if it needs one, or is none.</summary>
    public static async Task<Outcome?> TryAsync(string[] args, IConfiguration configuration) => args switch
    {
        ["backup", var file] => await Backup.MakeAsync(DataFolder.At(DataFolder.PathIn(configuration)), file, TimeProvider.System),
        ["restore", var file] => await Restoring.RestoreAsync(file, DataFolder.PathIn(configuration)),
        ["restore", var file, var folder] => await Restoring.RestoreAsync(file, folder),
        ["settings"] => Outcome.Done("The settings can be read."),
        ["version"] => Outcome.Done(ProgramVersion.Text),
        ["account", "add", _, _] or ["account", "link" or "invite", _] => null,
        _ => Outcome.Refused(Words),
    };

    /// <summary>A command about accounts.</summary>
    public static async Task<Outcome> DoAsync(string[] args, IServiceProvider services) => args switch
    {
        ["account", "add", var name, var email] => await AccountCommands.AddAsync(services, name, email),
        ["account", "link", var email] => await AccountCommands.LinkAsync(services, email),
        ["account", "invite", var email] => AccountCommands.Invite(services, email),
        _ => Outcome.Refused(Words),
    };

    /// <summary>Says what came of it, and gives what the shell is told.</summary>
    public static async Task<int> SayAsync(Outcome outcome)
    {
        await (outcome.IsDone ? Console.Out : Console.Error).WriteLineAsync(outcome.Said);
        return outcome.IsDone ? 0 : 1;
    }
}
