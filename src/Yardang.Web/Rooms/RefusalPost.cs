using System.Threading.Channels;
using Microsoft.AspNetCore.SignalR;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;

namespace Yardang.Web.Rooms;

/// <summary>
/// The refusals on their way to one connection, sent one after the other. A room's writer never waits for them, and a connection that does not
/// read them is ended: when it comes back it sends again what it has no answer to.
/// </summary>
public sealed class RefusalPost(IClientProxy connection, Action hangUp, CancellationToken ended) : ISubmitter
{
    /// <summary>How many may wait to be read: more than a full outbox has commands.</summary>
    public const int Capacity = 4_096;

    private readonly Channel<(Guid Room, int Client, int Counter, Refusal Reason, int Number)> _waiting =
        Channel.CreateBounded<(Guid, int, int, Refusal, int)>(new BoundedChannelOptions(Capacity) { SingleReader = true });

    /// <summary>Sends what is refused until the connection ends.</summary>
    public async Task RunAsync()
    {
        try
        {
            await foreach (var (room, client, counter, reason, number) in _waiting.Reader.ReadAllAsync(ended))
            {
                await connection.SendAsync("Refused", room.ToString(), client, counter, (int)reason, number, ended);
            }
        }
        catch (OperationCanceledException) when (ended.IsCancellationRequested)
        {
            // Nobody is there to be told.
        }
    }

    /// <inheritdoc/>
    public void Answer(Guid room, Submission submission, Decision decision, Envelope? envelope)
    {
        if (decision is Decision.Refused refused) Refuse(room, submission.Client, submission.Counter, refused.Reason, refused.Number);
    }

    /// <summary>Says that a command was refused.</summary>
    public void Refuse(Guid room, int client, int counter, Refusal reason, int number)
    {
        if (!_waiting.Writer.TryWrite((room, client, counter, reason, number))) hangUp();
    }
}
