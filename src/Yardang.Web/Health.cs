using Yardang.Web.Rooms;

namespace Yardang.Web;

/// <summary>How the server is, for whoever watches over it: nothing about anybody.</summary>
public sealed class Health(DiskHealth disk, Followers followers)
{
    /// <summary>"ok", or what is wrong with status 503.</summary>
    public IResult Say()
    {
        string[] faults =
        [
            .. disk.Fault is { } fault ? [fault] : Array.Empty<string>(),
            .. followers.Failing > 0 ? [$"Followers.Failing {followers.Failing}"] : Array.Empty<string>(),
        ];
        return faults.Length == 0 ? Results.Text("ok") : Results.Text(string.Join('\n', faults), statusCode: StatusCodes.Status503ServiceUnavailable);
    }
}
