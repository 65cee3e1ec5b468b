using Microsoft.AspNetCore.Hosting.Server;
using Microsoft.AspNetCore.Hosting.Server.Features;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using Yardang.Core.ClassLists;
using Yardang.Core.Interchange;
using Yardang.Core.Lessons;
using Yardang.Core.Moderation;
using Yardang.Core.Rooms;
using Yardang.Data.School;
using Yardang.Headless.SimulatedClass;
using Yardang.Web.Access;
using Yardang.Web.ClassLists;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;
using Yardang.Web.Shelf;

namespace Yardang.Web.Demo;

/// <summary>
/// The demo, with <c>Yardang:Demo</c>: Ms Varga's account, her activities from their archives, a running lesson on each for 7 Amber, and the
/// simulated class in them. With <c>Yardang:DemoStep</c> the class stops at that step of its script.
/// </summary>
public sealed class DemoSchool(
    IServiceProvider services, Handing handing, ActivityMaking making, ActivityShelf shelf, ClassListShelf classes, CoTeaching coTeaching, SpokenAnswer spoken, RoomHosts hosts, IDbContextFactory<SchoolContext> school, IConfiguration configuration, IServer server,
    IHostApplicationLifetime lifetime, ILogger<DemoSchool> logger) : BackgroundService
{
    /// <summary>Who to sign in as.</summary>
    public const string Email = "varga@ostlebrook.example";

    /// <summary>Who runs the first lesson with her.</summary>
    public const string CoTeacherEmail = "adeyemi@ostlebrook.example";

    /// <summary>The demo's password; the demo's data are invented.</summary>
    public const string Password = "bridge-over-brook";

    private const string Topic = "Bridges";

    // The one to be shown first is handed out last. Of several parts each says who works with whom in it.
    private static readonly (string Archive, Way Way, Script Script)[] s_lessons =
    [
        ("how-does-the-load-reach-the-ground.yardang.zip", Way.OneEach, LoadToGround.Of),
        ("bridge-gallery.yardang.zip", Way.AllTogether, BridgeGallery.Of),
        ("from-load-to-ground.yardang.zip", Way.AllTogether, LoadOnField.Of),
        ("which-bridge-first.yardang.zip", Way.AllTogether, BridgeOrder.Of),
        ("bridge-questions.yardang.zip", Way.AllTogether, BridgeQuestions.Of),
        ("what-we-know-about-bridges.yardang.zip", Way.AllTogether, BridgeKnowledge.Of),
        ("where-would-you-build-it.yardang.zip", Way.AllTogether, BuildingPlace.Of),
        ("load-test-log.yardang.zip", Way.OneEach, LoadTest.Of),
        ("triangles-in-trusses.yardang.zip", Way.OneEach, Trusses.Of),
        ("what-holds-a-bridge-up.yardang.zip", Way.OneEach, FirstIdeas.Of),
    ];

    private readonly List<SimulatedLesson> _class = [];

    /// <summary>Whether the class is at work: it has joined, and its lessons are not from an earlier start.</summary>
    public bool IsAtWork { get; private set; }

    /// <summary>Whether it pauses.</summary>
    public bool Paused => _class.Exists(l => l.Paused);

    /// <summary>Nobody begins anything new.</summary>
    public void Pause() => _class.ForEach(l => l.Pause());

    /// <summary>The class goes on.</summary>
    public void GoOn() => _class.ForEach(l => l.GoOn());

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        try
        {
            await RunAsync(stoppingToken);
        }
        catch (OperationCanceledException) when (stoppingToken.IsCancellationRequested)
        {
            // The demo was stopped.
        }
        catch (Exception e)
        {
            logger.LogError(e, "The simulated class ended early. Everything else goes on.");
        }
    }

    private async Task RunAsync(CancellationToken stop)
    {
        await StartedAsync(stop);
        var address = new Uri(server.Features.Get<IServerAddressesFeature>()!.Addresses.First().Replace("[::]", "localhost", StringComparison.Ordinal));
        if (await FindAsync(stop) is { } earlier)
        {
            Say(address, earlier);
            await Task.Delay(Timeout.Infinite, stop);
        }

        try
        {
            await WorkAsync(address, await BeginAsync(), stop);
        }
        finally
        {
            foreach (var simulated in _class) await simulated.DisposeAsync();
        }
    }

    private async Task WorkAsync(Uri address, IReadOnlyList<LessonRecord> lessons, CancellationToken stop)
    {
        for (var i = lessons.Count - 1; i >= 0; i--)
        {
            var simulated = new SimulatedLesson(s_lessons[i].Script);
            _class.Add(simulated);
            await simulated.JoinAsync(address, lessons[i].Code.Text);
            if (s_lessons[i].Script == BridgeQuestions.Of) await LookFirstAsync(lessons[i].Id, stop);
        }

        var asks = lessons[Array.FindIndex(s_lessons, l => l.Script == BridgeQuestions.Of)].Id;
        var step = configuration.GetValue<int?>("Yardang:DemoStep");
        if (step is { } last)
        {
            foreach (var simulated in _class) await simulated.RunToAsync(last, stop);
            await spoken.TryAsync(asks, stop);
            Pause();
        }

        IsAtWork = true;
        Say(address, lessons[^1]);
        if (step is null) await Task.WhenAll(_class.Select(simulated => simulated.RunAsync(stop)).Append(spoken.GiveAsync(asks, stop)));
        await Task.Delay(Timeout.Infinite, stop);
    }

    // So that something waits in the in-tray.
    private async Task LookFirstAsync(Guid lesson, CancellationToken stop)
    {
        var names = BridgeQuestions.LookedAtFirst.Select(student => Roster.Names[student]).ToList();
        await using var db = await school.CreateDbContextAsync(stop);
        var numbers = await db.Participants.Where(p => p.LessonId == lesson && names.Contains(p.Name)).OrderBy(p => p.Number).Select(p => p.Number).ToListAsync(stop);
        var room = await hosts.GetAsync(lesson);
        await room.SubmitAsync(new SetWordScreen(WordScreening.Usual with { ForYoung = true }), Actor.Program, stop);
        await room.SubmitAsync(new SetApproval(RoomPlace.FirstPart, new(ApprovalWhen.Always, [.. numbers], LessonHours.Usual)), Actor.Program, stop);
    }

    private async Task StartedAsync(CancellationToken stop)
    {
        var started = new TaskCompletionSource();
        await using var registration = lifetime.ApplicationStarted.Register(started.SetResult);
        await started.Task.WaitAsync(stop);
    }

    private async Task<LessonRecord?> FindAsync(CancellationToken stop)
    {
        await using var db = await school.CreateDbContextAsync(stop);
        return await db.Lessons.Where(l => l.ClosedAt == null).OrderByDescending(l => l.HandedOutAt).FirstOrDefaultAsync(stop);
    }

    private async Task<IReadOnlyList<LessonRecord>> BeginAsync()
    {
        await using var scope = services.CreateAsyncScope();
        var teachers = scope.ServiceProvider.GetRequiredService<UserManager<Teacher>>();
        var teacher = new Teacher { Id = Guid.CreateVersion7(), DisplayName = "Ms Ilse Varga", UserName = Email, Email = Email };
        var made = await teachers.CreateAsync(teacher, Password);
        if (!made.Succeeded) throw new InvalidOperationException(string.Join(' ', made.Errors.Select(e => e.Description)));

        var colleague = new Teacher { Id = Guid.CreateVersion7(), DisplayName = "Mr Tobi Adeyemi", UserName = CoTeacherEmail, Email = CoTeacherEmail };
        await teachers.CreateAsync(colleague, Password);
        await classes.KeepAsync(teacher.Id, null, "7 Amber", Roster.Names.Select((name, i) => new ClassEntry(i + 1, name)));
        var lessons = new List<LessonRecord>();
        foreach (var (archive, way, _) in s_lessons)
        {
            lessons.Add(await handing.HandOutAsync(await ImportAsync(teacher.Id, archive), new HandOutOrder("7 Amber", Way: way), "en"));
        }

        // The colleague has accepted; the specialist has not opened the invitation yet.
        var shared = (await coTeaching.FindAsync(lessons[^1].Id))!;
        await coTeaching.InviteAsync(shared, teacher.DisplayName, [CoTeacherEmail], CoTeacherRole.Runs);
        await coTeaching.InviteAsync(shared, teacher.DisplayName, ["lindgarde@ostlebrook.example"], CoTeacherRole.Watches);
        await coTeaching.AcceptAsync((await coTeaching.OfAsync(shared.Id))[0].Record, colleague.Id);
        return lessons;
    }

    private async Task<ActivityRecord> ImportAsync(Guid teacher, string name)
    {
        await using var archive = typeof(DemoSchool).Assembly.GetManifestResourceStream(name)!;
        using var bytes = new MemoryStream();
        await archive.CopyToAsync(bytes);
        var activity = await making.ImportAsync(teacher, ActivityArchive.Read(bytes.ToArray()));
        await shelf.SetTopicAsync(activity.Id, Topic);
        return activity;
    }

    private void Say(Uri address, LessonRecord lesson) => logger.LogInformation(
        "The demo is ready at {Address}\n      teacher: {Email}, password {Password}\n      students: code {Code}",
        address, Email, Password, lesson.Code.Shown);
}
