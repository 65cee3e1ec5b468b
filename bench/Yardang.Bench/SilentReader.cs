using System.Net;
using System.Net.WebSockets;
using System.Text;

namespace Yardang.Bench;

/// <summary>Somebody who asks for a stream and then never reads from the socket.</summary>
public sealed class SilentReader : IDisposable
{
    private const char EndOfMessage = (char)0x1e;
    private readonly ClientWebSocket _socket = new();

    public static async Task<SilentReader> OpenAsync(Uri server, string path, CookieContainer cookies, string method, string room, long after)
    {
        var reader = new SilentReader();
        reader._socket.Options.Cookies = cookies;
        reader._socket.Options.SetRequestHeader("Origin", server.GetLeftPart(UriPartial.Authority));
        await reader._socket.ConnectAsync(new UriBuilder(new Uri(server, path)) { Scheme = "ws" }.Uri, CancellationToken.None);
        await reader.SendAsync("""{"protocol":"json","version":1}""");
        await reader.SendAsync($$"""{"type":4,"invocationId":"1","target":"{{method}}","arguments":["{{room}}",{{after}}]}""");
        return reader;
    }

    public void Dispose() => _socket.Dispose();

    private Task SendAsync(string message) =>
        _socket.SendAsync(Encoding.UTF8.GetBytes(message + EndOfMessage), WebSocketMessageType.Text, endOfMessage: true, CancellationToken.None);
}
