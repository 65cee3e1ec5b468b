namespace Yardang.Web.Tests;

/// <summary>Waits for a state, and fails when it does not come.</summary>
public static class Eventually
{
    private static readonly TimeSpan s_longest = TimeSpan.FromSeconds(30);

    /// <summary>Until this is so.</summary>
    public static async Task IsAsync(Func<Task<bool>> so, [System.Runtime.CompilerServices.CallerArgumentExpression(nameof(so))] string what = "")
    {
        var until = DateTime.UtcNow + s_longest;
        while (!await so())
        {
            if (DateTime.UtcNow > until) throw new TimeoutException($"It did not come to this within {s_longest.TotalSeconds} s: {what}");
            await Task.Delay(5, TestContext.Current.CancellationToken);
        }
    }

    /// <summary>Until this is so.</summary>
    public static Task IsAsync(Func<bool> so, [System.Runtime.CompilerServices.CallerArgumentExpression(nameof(so))] string what = "") => IsAsync(() => Task.FromResult(so()), what);
}
