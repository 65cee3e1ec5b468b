namespace Yardang.Headless.SimulatedClass;

/// <summary>The whole class at work in one lesson: step by step, at the pace of a class or as fast as it goes, and it can be paused.</summary>
public sealed class SimulatedLesson(Script script) : IAsyncDisposable
{
    private static readonly TimeSpan s_look = TimeSpan.FromSeconds(1);

    private readonly List<(ClassMember Member, IReadOnlyList<Doing> Script)> _class = [];
    private volatile TaskCompletionSource _running = Started();

    /// <summary>Whether the class is paused.</summary>
    public bool Paused => !_running.Task.IsCompleted;

    /// <summary>Lets everybody join, in the order of the roster.</summary>
    public async Task JoinAsync(Uri server, string code)
    {
        for (var i = 0; i < Roster.Names.Length; i++)
        {
            _class.Add((await ClassMember.JoinAsync(server, code, Roster.Names[i]), script(i)));
        }
    }

    /// <summary>Everybody does the first so many steps, without pauses, and all of it is kept before this returns.</summary>
    public async Task RunToAsync(int step, CancellationToken stop)
    {
        foreach (var (member, script) in _class)
        {
            foreach (var doing in script.Take(step)) await member.DoAsync(doing, lively: false, stop);
        }

        while (_class.Exists(c => c.Member.Waiting > 0)) await Task.Delay(TimeSpan.FromMilliseconds(20), stop);
    }

    /// <summary>Everybody works at their own pace.</summary>
    public Task RunAsync(CancellationToken stop) => Task.WhenAll(_class.Select((c, i) => WorkAsync(c.Member, c.Script, new Random(i), stop)));

    /// <summary>Nobody begins anything new.</summary>
    public void Pause()
    {
        if (!Paused) _running = new(TaskCreationOptions.RunContinuationsAsynchronously);
    }

    /// <summary>The class goes on.</summary>
    public void GoOn() => _running.TrySetResult();

    /// <inheritdoc/>
    public async ValueTask DisposeAsync()
    {
        foreach (var (member, _) in _class) await member.DisposeAsync();
    }

    private static TaskCompletionSource Started()
    {
        var started = new TaskCompletionSource();
        started.SetResult();
        return started;
    }

    private async Task WorkAsync(ClassMember member, IReadOnlyList<Doing> script, Random random, CancellationToken stop)
    {
        foreach (var doing in script)
        {
            await Task.Delay(TimeSpan.FromMilliseconds(1_500 + random.Next(6_000)), stop);
            await _running.Task.WaitAsync(stop);
            while (!member.MayWrite) await Task.Delay(s_look, stop);
            await member.DoAsync(doing, lively: true, stop);
        }
    }
}
