using System.Net;
using System.Text.RegularExpressions;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Hosting.Server;
using Microsoft.AspNetCore.Hosting.Server.Features;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using Yardang.Core.Activities;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Data.School;
using Yardang.Web.Lessons;
using Yardang.Web.Shelf;

namespace Yardang.Web.Tests;

/// <summary>A school on a real server with real SQLite files, gone after the test.</summary>
public sealed partial class TestSchool : IAsyncDisposable
{
    private readonly string _folder;
    private readonly WebApplicationFactory<Program> _factory;

    // Each server would watch its settings and files for changes, and a user may have only so many watchers.
    static TestSchool()
    {
        Environment.SetEnvironmentVariable("DOTNET_hostBuilder__reloadConfigOnChange", "false");
        Environment.SetEnvironmentVariable("DOTNET_USE_POLLING_FILE_WATCHER", "true");
    }

    /// <summary>Opens one.</summary>
    /// <param name="more">Settings of its own.</param>
    /// <param name="kept">A folder with what another school left; null for a new school. It is gone after the test, too.</param>
    public TestSchool(Action<IWebHostBuilder>? more = null, string? kept = null)
    {
        var folder = _folder = kept ?? Directory.CreateTempSubdirectory("yardang-test-").FullName;
        _factory = new WebApplicationFactory<Program>().WithWebHostBuilder(web =>
        {
            web.UseUrls("http://127.0.0.1:0").UseSetting("Yardang:Data", folder).UseSetting("Logging:LogLevel:Default", "None");
            more?.Invoke(web);
        });
        _factory.UseKestrel();
        _factory.StartServer();
        Address = new Uri(_factory.Services.GetRequiredService<IServer>().Features.Get<IServerAddressesFeature>()!.Addresses.First());
    }

    /// <summary>The checkout.</summary>
    public static string Repository { get; } = FindRepository();

    public Uri Address { get; }

    /// <summary>Where everything is kept.</summary>
    public string Folder => _folder;

    public T Get<T>()
        where T : notnull => _factory.Services.GetRequiredService<T>();

    /// <summary>A browser without cookies; it does not follow redirects.</summary>
    public HttpClient Visitor(CookieContainer? cookies = null) => new(new HttpClientHandler { CookieContainer = cookies ?? new CookieContainer(), AllowAutoRedirect = false }) { BaseAddress = Address };

    /// <summary>A browser of a new teacher, signed in.</summary>
    public async Task<(HttpClient Browser, Guid Id)> TeacherAsync(string name, HttpClient? with = null)
    {
        var browser = with ?? Visitor();
        var email = $"{Guid.NewGuid():N}@ostlebrook.example";
        await PostAsync(browser, "/sign-up", new() { ["name"] = name, ["email"] = email, ["password"] = "bridge-over-brook" });
        await using var db = await Get<IDbContextFactory<SchoolContext>>().CreateDbContextAsync();
        return (browser, (await db.Users.SingleAsync(u => u.Email == email)).Id);
    }

    public async Task<(ActivityRecord Activity, LessonRecord Lesson)> HandOutAsync(Guid teacher, Door door = Door.Open, Way way = Way.OneEach, ActivityContent? content = null)
    {
        var handing = Get<Handing>();
        var making = Get<ActivityMaking>();
        var activity = await making.CreateAsync(teacher, content ?? ActivityContent.Blank("en", "What holds a bridge up?"));
        return (activity, await handing.HandOutAsync(activity, new HandOutOrder("7 Amber", door, way), "en"));
    }

    /// <summary>The room in which somebody works, in the first part.</summary>
    public async Task<Guid> BoardOfAsync(ParticipantRecord participant)
    {
        await using var db = await Get<IDbContextFactory<SchoolContext>>().CreateDbContextAsync();
        var lesson = await db.Lessons.SingleAsync(l => l.Id == participant.LessonId);
        return await Seating.RoomAsync(db, lesson, lesson.PlaceOf(participant, lesson.Parts[0]));
    }

    /// <summary>The room in which all work together.</summary>
    public async Task<Guid> TogetherAsync(LessonRecord lesson)
    {
        await using var db = await Get<IDbContextFactory<SchoolContext>>().CreateDbContextAsync();
        return await db.RoomsOf(lesson.Id).Where(r => r.Whose == Whose.Together).Select(r => r.Id).SingleAsync();
    }

    /// <summary>A browser of a student who joined, with the address of their board.</summary>
    public async Task<(HttpClient Browser, string Board)> StudentAsync(JoinCode code, string name, HttpClient? with = null)
    {
        var browser = with ?? Visitor();
        using var answer = await PostAsync(browser, $"/join/{code}", new() { ["name"] = name });
        return (browser, answer.Headers.Location!.ToString());
    }

    /// <summary>Fills in the form of a page and sends it, there or elsewhere.</summary>
    public static async Task<HttpResponseMessage> PostAsync(HttpClient browser, string path, Dictionary<string, string> fields, string? to = null)
    {
        var form = await browser.GetStringAsync(path);
        fields["__RequestVerificationToken"] = TokenIn(form);
        return await browser.PostAsync(to ?? path, new FormUrlEncodedContent(fields));
    }

    /// <summary>Imports an archive on the desk.</summary>
    public static async Task<HttpResponseMessage> ImportAsync(HttpClient teacher, byte[] archive)
    {
        var stop = TestContext.Current.CancellationToken;
        using var form = new MultipartFormDataContent { { new StringContent(TokenIn(await teacher.GetStringAsync("/desk", stop))), "__RequestVerificationToken" } };
        form.Add(new ByteArrayContent(archive), "archive", "activity.yardang.zip");
        return await teacher.PostAsync("/desk?handler=Import", form, stop);
    }

    /// <summary>What a page's forms carry against requests from elsewhere.</summary>
    public static string TokenIn(string page) => TokenPattern().Match(page).Groups["token"].Value;

    public async ValueTask DisposeAsync()
    {
        await _factory.DisposeAsync();
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();

        // What follows rooms may still be on its way out of a database.
        await Eventually.IsAsync(IsDeleted);
    }

    private bool IsDeleted()
    {
        try
        {
            Directory.Delete(_folder, recursive: true);
        }
        catch (IOException)
        {
            return !Directory.Exists(_folder);
        }

        return true;
    }

    private static string FindRepository()
    {
        var folder = new DirectoryInfo(AppContext.BaseDirectory);
        while (!File.Exists(Path.Combine(folder.FullName, "Yardang.slnx"))) folder = folder.Parent!;
        return folder.FullName;
    }

    [GeneratedRegex("""(data-token="|name="__RequestVerificationToken" type="hidden" value=")(?<token>[^"]+)""", RegexOptions.ExplicitCapture, 1_000)]
    private static partial Regex TokenPattern();
}
