namespace Yardang.Web;

/// <summary>
/// What the framework would say of every request holds codes of lessons, keys and links with tokens. It is left out at any level; warnings and errors stay.
/// </summary>
public static class QuietLogs
{
    private static readonly string[] s_tellAddresses =
    [
        "Microsoft.AspNetCore", "Microsoft.AspNetCore.Hosting", "Microsoft.AspNetCore.Hosting.Diagnostics", "Microsoft.AspNetCore.Routing", "Microsoft.AspNetCore.Mvc",
        "Microsoft.AspNetCore.StaticFiles", "Microsoft.AspNetCore.Http", "Microsoft.AspNetCore.SignalR", "Microsoft.AspNetCore.Authentication", "Microsoft.AspNetCore.Server.Kestrel",
    ];

    /// <summary>Leaves them out. The last rule for a category counts, whatever the settings say.</summary>
    public static void LeaveOutAddresses(this ILoggingBuilder logging)
    {
        foreach (var category in s_tellAddresses) logging.AddFilter(category, LogLevel.Warning);

        // Each question to the database would be a line, many in a second.
        logging.AddFilter("Microsoft.EntityFrameworkCore", LogLevel.Warning);

        // Says at each start that keys lie unprotected; the documentation says it once, and how to change it.
        logging.AddFilter("Microsoft.AspNetCore.DataProtection.KeyManagement.XmlKeyManager", LogLevel.Error);
    }
}
