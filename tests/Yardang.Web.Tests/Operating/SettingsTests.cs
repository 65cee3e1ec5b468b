using System.Diagnostics;
using System.Text.RegularExpressions;
using Microsoft.Extensions.Configuration;
using Yardang.Web.Operating;

namespace Yardang.Web.Tests.Operating;

/// <summary>What a school sets: one file that explains everything, and nothing in it that is not heeded.</summary>
public sealed partial class SettingsTests
{
    // For those who work on Yardang, not for a school.
    private static readonly string[] s_ofMakers = ["Demo", "DemoStep", "Clock", "StandInDevices"];

    private static string Example => Path.Combine(TestSchool.Repository, "deploy/settings.json");

    [Fact]
    public void The_file_of_settings_names_every_setting_and_can_be_read()
    {
        using var stream = File.OpenRead(Example);
        var settings = new ConfigurationBuilder().AddJsonStream(stream).Build();
        Assert.Empty(Settings.Faults(settings));
        var named = settings.GetSection("Yardang").AsEnumerable(makePathsRelative: true).Select(s => s.Key).ToHashSet(StringComparer.Ordinal);
        Assert.DoesNotContain(Settings.Names.Except(s_ofMakers, StringComparer.Ordinal), n => !named.Contains(n));
    }

    [Fact]
    public void Every_setting_that_the_program_reads_is_known()
    {
        var read = Directory.EnumerateFiles(Path.Combine(TestSchool.Repository, "src/Yardang.Web"), "*.cs", SearchOption.AllDirectories)
            .Where(f => !f.Contains("/obj/", StringComparison.Ordinal) && !f.Contains("/node_modules/", StringComparison.Ordinal))
            .SelectMany(f => Read().Matches(File.ReadAllText(f)).Select(m => m.Groups["name"].Value)).Distinct(StringComparer.Ordinal).ToList();
        Assert.True(read.Count > 8);
        foreach (var name in read) Assert.True(Settings.Names.Any(n => n.Equals(name, StringComparison.Ordinal) || n.StartsWith($"{name}:", StringComparison.Ordinal)), name);
    }

    [Theory]
    [InlineData("KeepLessonDays", "30", "There is no setting Yardang:KeepLessonDays")]
    [InlineData("KeepLessonsDays", "a month", "whole number")]
    [InlineData("KeepLessonsDays", "-1", "whole number")]
    [InlineData("SignUp", "everybody", "open, invitation or closed")]
    [InlineData("SignUp", "7", "open, invitation or closed")]
    [InlineData("Proxies", "the proxy", "addresses or networks")]
    [InlineData("TimeZone", "Bridge/Town", "time zone")]
    [InlineData("Links:Fetch", "sometimes", "true or false")]
    [InlineData("Links:Frames:0", "https://films.example/all", "is no name of a server")]
    [InlineData("Address", "yardang", "https://")]
    [InlineData("KeyCertificate", "/nowhere/at/all.pfx", "a file that is there")]
    public void What_cannot_be_heeded_is_said_in_a_sentence(string name, string value, string said)
    {
        var fault = Assert.Single(Settings.Faults(new ConfigurationBuilder().AddInMemoryCollection(new Dictionary<string, string?> { [$"Yardang:{name}"] = value }).Build()));
        Assert.Contains(said, fault, StringComparison.Ordinal);
        Assert.EndsWith(".", fault, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("""{ "Yardang": { "SignUp": "everybody" } }""", "open, invitation or closed")]
    [InlineData("""{ "Yardang": { "SignUp": """, "cannot be read")]
    [InlineData(null, "There are no settings at")]
    public async Task The_server_does_not_start_with_settings_that_it_cannot_heed(string? written, string said)
    {
        var folder = Directory.CreateTempSubdirectory("yardang-settings-").FullName;
        var file = Path.Combine(folder, "settings.json");
        if (written is not null) await File.WriteAllTextAsync(file, written, TestContext.Current.CancellationToken);
        var web = Path.Combine(TestSchool.Repository, "src/Yardang.Web");
        var start = new ProcessStartInfo("dotnet", [Path.Combine(web, "bin/Debug/net10.0/linux-x64/Yardang.Web.dll")]) { WorkingDirectory = web, UseShellExecute = false, RedirectStandardError = true, RedirectStandardOutput = true };
        start.Environment["YARDANG_SETTINGS"] = file;
        start.Environment["Yardang__Data"] = Path.Combine(folder, "data");
        start.Environment["ASPNETCORE_URLS"] = "http://127.0.0.1:0";
        using var server = Process.Start(start)!;
        var errors = await server.StandardError.ReadToEndAsync(TestContext.Current.CancellationToken);
        await server.WaitForExitAsync(TestContext.Current.CancellationToken);
        Assert.Equal(1, server.ExitCode);
        Assert.Contains(said, errors, StringComparison.Ordinal);
        Assert.DoesNotContain("   at ", errors, StringComparison.Ordinal);
        Directory.Delete(folder, recursive: true);
    }

    [Fact]
    public void The_unit_drops_rights_and_keeps_the_data_where_the_settings_say()
    {
        var unit = File.ReadAllLines(Path.Combine(TestSchool.Repository, "deploy/yardang.service"));
        foreach (var line in new[] { "User=yardang", "NoNewPrivileges=true", "ProtectSystem=strict", "CapabilityBoundingSet=", "StateDirectory=yardang", "UMask=0077", "ExecStart=/opt/yardang/app/Yardang.Web" }) Assert.Contains(line, unit);
        using var stream = File.OpenRead(Example);
        Assert.Equal("/var/lib/yardang", new ConfigurationBuilder().AddJsonStream(stream).Build()["Yardang:Data"]);
        Assert.Contains(Settings.UsualFile, unit.Single(l => l.StartsWith("Environment=", StringComparison.Ordinal)), StringComparison.Ordinal);
    }

    [GeneratedRegex("\"Yardang:(?<name>[A-Z][A-Za-z:]*[A-Za-z])\"", RegexOptions.ExplicitCapture, 1_000)]
    private static partial Regex Read();
}
