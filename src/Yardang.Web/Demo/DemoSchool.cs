using Microsoft.AspNetCore.Hosting.Server;
using Microsoft.AspNetCore.Hosting.Server.Features;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using Yardang.Core.Interchange;
using Yardang.Core.Lessons;
using Yardang.Data.School;
using Yardang.Headless.SimulatedClass;
using Yardang.Web.Lessons;
using Yardang.Web.Shelf;

namespace Yardang.Web.Demo;

/// <summary>
/// The demo, with <c>Yardang:Demo</c>: Ms Varga's account, her activity from its archive, a running lesson for 7 Amber, and the simulated
/// class in it. With <c>Yardang:DemoStep</c> the class stops at that step of its script.
/// </summary>
public sealed class DemoSchool(
    IServiceProvider services, Handing handing, ActivityShelf shelf, IDbContextFactory<SchoolContext> school, IConfiguration configuration, IServer server,
    IHostApplicationLifetime lifetime, ILogger<DemoSchool> logger) : BackgroundService
{
    /// <summary>Who to sign in as.</summary>
    public const string Email = "varga@ostlebrook.example";

    /// <summary>The demo's password; the demo's data are invented.</summary>
    public const string Password = "bridge-over-brook";

    private const string HandedOut = "what-holds-a-bridge-up.yardang.zip";
    private const string Topic = "Bridges";

    private static readonly string[] s_onTheDesk = ["where-would-you-build-it.yardang.zip", "load-test-log.yardang.zip", "triangles-in-trusses.yardang.zip"];

    /// <summary>The class at work; null until it has joined, or if its lesson is from an earlier start.</summary>
    public SimulatedLesson? Class { get; private set; }

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
        var lesson = await FindAsync(stop) ?? await BeginAsync();
        var address = new Uri(server.Features.Get<IServerAddressesFeature>()!.Addresses.First().Replace("[::]", "localhost", StringComparison.Ordinal));
        await using var db = await school.CreateDbContextAsync(stop);
        if (await db.Participants.AnyAsync(p => p.LessonId == lesson.Id, stop))
        {
            Say(address, lesson);
            return;
        }

        await using var simulated = new SimulatedLesson();
        await simulated.JoinAsync(address, lesson.Code);
        if (configuration.GetValue<int?>("Yardang:DemoStep") is { } step)
        {
            await simulated.RunToAsync(step, stop);
            simulated.Pause();
            Class = simulated;
            Say(address, lesson);
            await Task.Delay(Timeout.Infinite, stop);
        }

        Class = simulated;
        Say(address, lesson);
        await simulated.RunAsync(stop);
        await Task.Delay(Timeout.Infinite, stop);
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
        return await db.Lessons.Where(l => l.ClosedAt == null).OrderBy(l => l.HandedOutAt).FirstOrDefaultAsync(stop);
    }

    private async Task<LessonRecord> BeginAsync()
    {
        await using var scope = services.CreateAsyncScope();
        var teachers = scope.ServiceProvider.GetRequiredService<UserManager<Teacher>>();
        var teacher = new Teacher { Id = Guid.CreateVersion7(), DisplayName = "Ms Ilse Varga", UserName = Email, Email = Email };
        var made = await teachers.CreateAsync(teacher, Password);
        if (!made.Succeeded) throw new InvalidOperationException(string.Join(' ', made.Errors.Select(e => e.Description)));

        foreach (var name in s_onTheDesk) await ImportAsync(teacher.Id, name);
        var activity = await ImportAsync(teacher.Id, HandedOut);
        return await handing.HandOutAsync(activity, "7 Amber", Door.Open, Way.OneEach, "en");
    }

    private async Task<ActivityRecord> ImportAsync(Guid teacher, string name)
    {
        await using var archive = typeof(DemoSchool).Assembly.GetManifestResourceStream(name)!;
        using var bytes = new MemoryStream();
        await archive.CopyToAsync(bytes);
        var activity = await handing.ImportAsync(teacher, ActivityArchive.Read(bytes.ToArray()));
        await shelf.SetTopicAsync(activity.Id, Topic);
        return activity;
    }

    private void Say(Uri address, LessonRecord lesson) => logger.LogInformation(
        "The demo is ready at {Address}\n      teacher: {Email}, password {Password}\n      students: code {Code}",
        address, Email, Password, JoinCode.Show(lesson.Code));
}
