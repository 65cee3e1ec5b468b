namespace Yardang.Web.Exports;

/// <summary>
/// Where files to take along are made: two at a time for the whole server, on threads of their own, for no longer than somebody waits for them, and in
/// no case for longer than a minute. So an export never takes the time of those who write.
/// </summary>
public sealed class ExportDesk : IDisposable
{
    private const int AtOnce = 2;
    private const int MostWaiting = 30;
    private static readonly TimeSpan s_longest = TimeSpan.FromMinutes(1);

    private readonly SemaphoreSlim _places = new(AtOnce, AtOnce);
    private int _waiting;

    /// <summary>Makes a file, and gives it out. Who asks too much is told so on a page: 413 for too large, 503 for too many at once.</summary>
    public async Task<IResult> GiveAsync(Func<CancellationToken, byte[]> make, string type, string name, CancellationToken nobodyWaits)
    {
        if (Interlocked.Increment(ref _waiting) > MostWaiting)
        {
            Interlocked.Decrement(ref _waiting);
            return Results.StatusCode(StatusCodes.Status503ServiceUnavailable);
        }

        try
        {
            await _places.WaitAsync(nobodyWaits);
        }
        finally
        {
            Interlocked.Decrement(ref _waiting);
        }

        using var stop = CancellationTokenSource.CreateLinkedTokenSource(nobodyWaits);
        stop.CancelAfter(s_longest);
        try
        {
            return Results.File(await Task.Factory.StartNew(() => make(stop.Token), stop.Token, TaskCreationOptions.LongRunning, TaskScheduler.Default), type, name);
        }
        catch (OperationCanceledException) when (!nobodyWaits.IsCancellationRequested)
        {
            return Results.StatusCode(StatusCodes.Status413PayloadTooLarge);
        }
        catch (Rendering.TooLargeException)
        {
            return Results.StatusCode(StatusCodes.Status413PayloadTooLarge);
        }
        finally
        {
            _places.Release();
        }
    }

    /// <inheritdoc/>
    public void Dispose() => _places.Dispose();
}
