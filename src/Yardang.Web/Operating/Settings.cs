using System.Globalization;
using System.Net;
using Yardang.Web.Access;

namespace Yardang.Web.Operating;

/// <summary>What a school can set, and how it is written: <c>deploy/settings.json</c> explains each. A name that is not known, or a value that cannot be read, is said before the server starts: a setting that is not heeded is worse than none.</summary>
public static class Settings
{
    /// <summary>Where the settings are looked for, if <c>YARDANG_SETTINGS</c> names no other file.</summary>
    public const string UsualFile = "/etc/yardang/settings.json";

    private const string Section = "Yardang";

    private static readonly Dictionary<string, Func<string, string?>> s_known = new(StringComparer.OrdinalIgnoreCase)
    {
        ["Data"] = Anything,
        ["Address"] = v => Uri.TryCreate(v, UriKind.Absolute, out var address) && address.Scheme is "https" or "http" ? null : "an address such as https://yardang.example",
        ["SignUp"] = v => Enum.TryParse<SigningUp>(v, ignoreCase: true, out _) && !int.TryParse(v, CultureInfo.InvariantCulture, out _) ? null : "open, invitation or closed",
        ["Proxies"] = v => v.Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).All(p => IPAddress.TryParse(p, out _) || IPNetwork.TryParse(p, out _)) ? null : "addresses or networks such as 127.0.0.1, 10.0.0.0/8",
        ["TimeZone"] = v => TimeZoneInfo.TryFindSystemTimeZoneById(v, out _) ? null : "a time zone such as Europe/Madrid",
        ["KeepLessonsDays"] = WholeNumber,
        ["Storage:LessonMB"] = WholeNumber,
        ["Storage:TeacherMB"] = WholeNumber,
        ["Storage:SchoolMB"] = WholeNumber,
        ["UnannouncedLooks"] = YesOrNo,
        ["Links:Fetch"] = YesOrNo,
        ["Links:Frames"] = Anything,
        ["KeyCertificate"] = v => v.Length == 0 || File.Exists(v) ? null : "a file that is there",
        ["KeyCertificatePassword"] = Anything,
        ["Metrics:Endpoint"] = v => v.Length == 0 || Uri.TryCreate(v, UriKind.Absolute, out _) ? null : "an address such as http://127.0.0.1:4318/v1/metrics",
        ["Demo"] = YesOrNo,
        ["DemoStep"] = WholeNumber,
        ["Clock"] = v => DateTimeOffset.TryParse(v, CultureInfo.InvariantCulture, out _) ? null : "a moment",
        ["StandInDevices"] = YesOrNo,
    };

    /// <summary>What can be set, without <c>Yardang:</c>.</summary>
    public static IEnumerable<string> Names => s_known.Keys;

    /// <summary>Adds the settings file. What the environment and the command line say comes before it.</summary>
    /// <exception cref="IOException">It cannot be read; the message says so in a sentence.</exception>
    public static void AddSettingsFile(this ConfigurationManager configuration)
    {
        var named = Environment.GetEnvironmentVariable("YARDANG_SETTINGS");
        var file = named ?? UsualFile;
        if (!File.Exists(file))
        {
            if (named is not null) throw new IOException($"There are no settings at {named} (YARDANG_SETTINGS).");
            return;
        }

        try
        {
            using var stream = File.OpenRead(file);
            var read = new ConfigurationBuilder().AddJsonStream(stream).Build();
            configuration.Sources.Insert(0, new ChainedConfigurationSource { Configuration = read, ShouldDisposeConfiguration = true });
        }
        catch (Exception e) when (e is UnauthorizedAccessException or FormatException or InvalidDataException or System.Text.Json.JsonException)
        {
            throw new IOException($"The settings in {file} cannot be read: {(e.InnerException ?? e).Message}", e);
        }
    }

    /// <summary>What is wrong with the settings, a sentence for each.</summary>
    public static IReadOnlyList<string> Faults(IConfiguration configuration)
    {
        List<string> faults = [];
        foreach (var (key, value) in configuration.GetSection(Section).AsEnumerable(makePathsRelative: true))
        {
            // A section that holds others has no value of its own.
            if (string.IsNullOrEmpty(value) && s_known.Keys.Any(k => k.StartsWith($"{key}:", StringComparison.OrdinalIgnoreCase))) continue;
            if (value is null) continue;
            var name = key.StartsWith("Links:Frames:", StringComparison.OrdinalIgnoreCase) ? "Links:Frames" : key;
            if (!s_known.TryGetValue(name, out var wanted)) faults.Add($"There is no setting {Section}:{key}. There are: {string.Join(", ", s_known.Keys)}.");
            else if (wanted(value) is { } what) faults.Add($"The setting {Section}:{key} is \"{value}\"; it should be {what}.");
        }

        try
        {
            _ = FramedSites.Of(configuration);
        }
        catch (FormatException e)
        {
            faults.Add(e.Message);
        }

        return faults;
    }

    private static string? Anything(string value) => null;

    private static string? WholeNumber(string value) => value.Length == 0 || int.TryParse(value, NumberStyles.None, CultureInfo.InvariantCulture, out _) ? null : "a whole number";

    private static string? YesOrNo(string value) => bool.TryParse(value, out _) ? null : "true or false";
}
