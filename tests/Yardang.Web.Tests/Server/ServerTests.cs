using System.Net;
using System.Text.RegularExpressions;
using Microsoft.AspNetCore.Hosting;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Logging;
using Yardang.Web.Access;
using Yardang.Web.Operating;

namespace Yardang.Web.Tests.Server;

/// <summary>The server as a school runs it: files, logs, answers, behind a proxy.</summary>
public class ServerTests
{
    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    [Fact]
    public async Task What_is_kept_can_be_read_by_nobody_else_on_the_machine()
    {
        if (OperatingSystem.IsWindows()) return;
        await using var school = new TestSchool();
        var (_, teacher) = await school.TeacherAsync("Ilse Varga");
        var (_, lesson) = await school.HandOutAsync(teacher);
        await school.StudentAsync(lesson.Code, "Maya");
        const UnixFileMode others = UnixFileMode.GroupRead | UnixFileMode.GroupWrite | UnixFileMode.OtherRead | UnixFileMode.OtherWrite | UnixFileMode.GroupExecute | UnixFileMode.OtherExecute;
        var all = Directory.EnumerateFileSystemEntries(school.Folder, "*", SearchOption.AllDirectories).Append(school.Folder).ToList();
        Assert.True(all.Count > 4);
        foreach (var entry in all) Assert.Equal(UnixFileMode.None, File.GetUnixFileMode(entry) & others);
    }

    [Fact]
    public async Task No_code_key_token_or_query_is_in_a_log_at_any_level()
    {
        var lines = new Lines();
        await using var school = new TestSchool(web => web.UseSetting("Logging:LogLevel:Default", "Trace").UseSetting("Logging:LogLevel:Microsoft.AspNetCore", "Trace").ConfigureServices(s => s.AddSingleton<ILoggerProvider>(lines)));
        var (browser, teacher) = await school.TeacherAsync("Ilse Varga");
        var (_, lesson) = await school.HandOutAsync(teacher);
        var (student, board) = await school.StudentAsync(lesson.Code, "Maya");
        await student.GetAsync(board, Stop);
        await school.Get<Web.Lessons.Joining>().ShowElsewhereAsync(lesson, shown: true);
        await TestSchool.PostAsync(school.Visitor(), "/forgot", new() { ["email"] = "nobody@ostlebrook.example" });
        await school.Visitor().GetAsync($"/reset?teacher={teacher}&token=secret-of-the-reset", Stop);
        await school.Visitor().GetAsync($"/embed/{new string('e', 32)}", Stop);
        await browser.GetAsync($"/lesson/{lesson.Id}/code", Stop);
        var said = string.Join('\n', lines.All);
        Assert.NotEmpty(lines.All);
        Assert.DoesNotContain(lesson.Code.Text, said, StringComparison.OrdinalIgnoreCase);
        Assert.DoesNotContain("secret-of-the-reset", said, StringComparison.Ordinal);
        Assert.DoesNotContain(new string('e', 32), said, StringComparison.Ordinal);
        Assert.DoesNotContain(board.Split('=')[1], said, StringComparison.OrdinalIgnoreCase);
        Assert.DoesNotMatch(new Regex(@"\?(as|token|embed|key|code)=", RegexOptions.ExplicitCapture, TimeSpan.FromSeconds(1)), said);
    }

    [Fact]
    public async Task What_is_made_for_one_person_lies_in_nobodys_cache()
    {
        await using var school = new TestSchool();
        var (browser, teacher) = await school.TeacherAsync("Ilse Varga");
        var (activity, lesson) = await school.HandOutAsync(teacher);
        await school.StudentAsync(lesson.Code, "Maya");
        foreach (var path in new[] { $"/lesson/{lesson.Id}/boards.pdf", $"/lesson/{lesson.Id}/slips.pdf", $"/lesson/{lesson.Id}.yardang.zip", $"/activity/{activity.Id}.yardang.zip", $"/lesson/{lesson.Id}/people.json", $"/rooms/{lesson.Id}/snapshot" })
        {
            using var answer = await browser.GetAsync(path, Stop);
            Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
            Assert.True(answer.Headers.CacheControl is { NoStore: true, Private: true }, path);
        }
    }

    [Fact]
    public async Task What_cannot_be_done_is_said_on_a_page_in_the_products_words()
    {
        await using var school = new TestSchool();
        var visitor = school.Visitor();
        foreach (var (path, status, said) in new[] { ("/no/such/page", HttpStatusCode.NotFound, "not here"), ("/fault/500", HttpStatusCode.OK, "went wrong on the server"), ("/fault/413", HttpStatusCode.OK, "too much for one file") })
        {
            using var answer = await visitor.GetAsync(path, Stop);
            Assert.Equal(status, answer.StatusCode);
            Assert.Contains(said, await answer.Content.ReadAsStringAsync(Stop), StringComparison.OrdinalIgnoreCase);
        }

        // Sent without the page's token.
        using var refused = await visitor.PostAsync("/sign-in", new FormUrlEncodedContent([]), Stop);
        Assert.Equal(HttpStatusCode.BadRequest, refused.StatusCode);
        Assert.Contains("open for too long", await refused.Content.ReadAsStringAsync(Stop), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_proxy_is_believed_only_if_it_is_configured()
    {
        foreach (var (proxies, isBelieved) in new[] { ("", false), ("203.0.113.9", false), ("127.0.0.0/8, ::1", true) })
        {
            await using var school = new TestSchool(web => web.UseSetting("Yardang:Proxies", proxies));
            using var request = new HttpRequestMessage(HttpMethod.Get, "/sign-in");
            request.Headers.Add("X-Forwarded-Proto", "https");
            request.Headers.Add("X-Forwarded-Host", "boards.ostlebrook.example");
            request.Headers.Add("X-Forwarded-For", "198.51.100.7");
            using var answer = await school.Visitor().SendAsync(request, Stop);
            Assert.Equal(isBelieved, answer.Headers.Contains("Strict-Transport-Security"));
            Assert.Equal(isBelieved, answer.Headers.GetValues("Set-Cookie").All(c => c.Contains("secure", StringComparison.OrdinalIgnoreCase)));
        }
    }

    [Fact]
    public async Task Health_says_ok_and_a_disk_that_is_full_is_said_there_and_on_pages()
    {
        await using var school = new TestSchool();
        var visitor = school.Visitor();
        visitor.DefaultRequestHeaders.Add("X-Forwarded-For", "203.0.113.7");
        Assert.Equal("ok", await visitor.GetStringAsync("/healthz", Stop));
        school.Get<DiskHealth>().Wrote(new Microsoft.Data.Sqlite.SqliteException("full", 13));
        using (var ill = await visitor.GetAsync("/healthz", Stop)) Assert.Equal(HttpStatusCode.ServiceUnavailable, ill.StatusCode);
        Assert.Contains("disk is full", await visitor.GetStringAsync("/", Stop), StringComparison.Ordinal);
        school.Get<DiskHealth>().Wrote(null);
        Assert.DoesNotContain("disk is full", await visitor.GetStringAsync("/", Stop), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Who_asks_on_the_machine_itself_reads_how_much_the_server_holds_and_nobody_else_does()
    {
        await using var school = new TestSchool();
        var (_, teacher) = await school.TeacherAsync("Ilse Varga");
        var (_, lesson) = await school.HandOutAsync(teacher);
        await using var student = await Yardang.Headless.SimulatedClass.ClassMember.JoinAsync(school.Address, lesson.Code.Text, "Maya");
        var operators = school.Visitor();
        var said = "";
        System.Text.Json.JsonElement figures = default;

        // Who has just come in follows in a moment.
        await Eventually.IsAsync(async () =>
        {
            said = await operators.GetStringAsync("/healthz", Stop);
            figures = System.Text.Json.JsonDocument.Parse(said).RootElement;
            return figures.GetProperty("rooms").GetProperty("readers").GetInt32() >= 2;
        });
        Assert.Equal("ok", figures.GetProperty("status").GetString());
        Assert.Equal(1, figures.GetProperty("connections").GetInt32());
        Assert.True(figures.GetProperty("rooms").GetProperty("loaded").GetInt32() >= 2);
        Assert.True(figures.GetProperty("disk").GetProperty("freeMB").GetInt64() > 0);
        Assert.Equal(4_096, figures.GetProperty("queue").GetProperty("most").GetInt32());
        Assert.DoesNotContain("Maya", said, StringComparison.Ordinal);
        foreach (var header in new[] { "X-Forwarded-For", "X-Forwarded-Proto", "Forwarded" })
        {
            using var request = new HttpRequestMessage(HttpMethod.Get, "/healthz");
            request.Headers.Add(header, "for=203.0.113.7");
            using var answer = await school.Visitor().SendAsync(request, Stop);
            Assert.Equal("ok", await answer.Content.ReadAsStringAsync(Stop));
        }
    }

    [Fact]
    public void A_data_folder_that_cannot_be_written_is_said_in_one_sentence()
    {
        var file = Path.GetTempFileName();
        var configuration = new Microsoft.Extensions.Configuration.ConfigurationManager { ["Yardang:Data"] = Path.Combine(file, "data") };
        var fault = Assert.Throws<IOException>(() => new DataFolder(configuration));
        Assert.StartsWith("Yardang cannot write to its data folder", fault.Message, StringComparison.Ordinal);
        File.Delete(file);
    }

    [Fact]
    public async Task Asking_for_new_passwords_fills_nobodys_box()
    {
        await using var school = new TestSchool();
        var limit = school.Get<MailLimit>();
        Assert.Equal(3, Enumerable.Range(0, 50).Count(_ => limit.Allows("varga@ostlebrook.example")));
        Assert.True(limit.Allows("adeyemi@ostlebrook.example"));
        await Task.CompletedTask;
    }

    [Fact]
    public void No_translation_is_put_into_a_script()
    {
        var pages = Path.Combine(TestSchool.Repository, "src", "Yardang.Web", "Pages");
        foreach (var file in Directory.EnumerateFiles(pages, "*.cshtml", SearchOption.AllDirectories))
        {
            Assert.False(Regex.IsMatch(File.ReadAllText(file), @"'\s*@T\[", RegexOptions.None, TimeSpan.FromSeconds(5)), $"{file}: an apostrophe in a translation ends the string.");
        }
    }

    private sealed class Lines : ILoggerProvider, ILogger
    {
        private readonly List<string> _all = [];

        public IReadOnlyList<string> All
        {
            get
            {
                lock (_all) return [.. _all];
            }
        }

        public ILogger CreateLogger(string categoryName) => this;

        public IDisposable? BeginScope<TState>(TState state)
            where TState : notnull => null;

        public bool IsEnabled(LogLevel logLevel) => true;

        public void Log<TState>(LogLevel logLevel, EventId eventId, TState state, Exception? exception, Func<TState, Exception?, string> formatter)
        {
            lock (_all) _all.Add($"{formatter(state, exception)} {exception}");
        }

        public void Dispose()
        {
        }
    }
}
