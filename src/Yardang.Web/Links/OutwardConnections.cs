using System.Net;
using System.Net.Sockets;

namespace Yardang.Web.Links;

/// <summary>
/// Connections to servers out in the world. A name is looked up once, all that it leads to is looked at, and the connection goes to what was looked at: a name that leads elsewhere a moment later leads nowhere.
/// </summary>
/// <param name="lookUp">The addresses of a name.</param>
/// <param name="mayReach">Whether an address may be reached, by a port.</param>
public sealed class OutwardConnections(Func<string, CancellationToken, Task<IPAddress[]>> lookUp, Func<IPAddress, int, bool> mayReach)
{
    /// <summary>To public addresses, by the ports of the web.</summary>
    public static OutwardConnections ToPublic() => new((name, stop) => Dns.GetHostAddressesAsync(name, stop), (address, port) => port is 80 or 443 && PublicAddress.IsPublic(address));

    /// <summary>Connects to a server.</summary>
    /// <exception cref="HttpRequestException">It may not be reached, or cannot.</exception>
    public async ValueTask<Stream> ConnectAsync(SocketsHttpConnectionContext context, CancellationToken stop)
    {
        var (host, port) = (context.DnsEndPoint.Host, context.DnsEndPoint.Port);
        var addresses = await lookUp(host, stop);
        if (addresses.Length == 0 || !addresses.All(a => mayReach(a, port))) throw new HttpRequestException("The server may not be reached from here.");
        var socket = new Socket(addresses[0].AddressFamily, SocketType.Stream, ProtocolType.Tcp) { NoDelay = true };
        try
        {
            await socket.ConnectAsync(addresses[0], port, stop);
            return new NetworkStream(socket, ownsSocket: true);
        }
        catch
        {
            socket.Dispose();
            throw;
        }
    }
}
