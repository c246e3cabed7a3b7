const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);
// Icons are drawn from shapes of our own (src/ui/icons.ts): no icon font is loaded, whoever asks for one.
config.resolver.resolveRequest = (context, name, platform) =>
  /^(@expo|@react-native|react-native)(-|\/)vector-icons/.test(name)
    ? { type: 'empty' }
    : context.resolveRequest(context, name, platform);

// In development pages come from here, and what they ask of /api is passed on to the server as if they came from it.
if (process.env.LINTREL_API) {
  const http = require('node:http');
  const api = new URL(process.env.LINTREL_API);
  config.server.enhanceMiddleware = (metro) => (request, response, next) => {
    if (!request.url.startsWith('/api')) return metro(request, response, next);
    const headers = { ...request.headers, host: api.host, ...(request.headers.origin ? { origin: api.origin } : {}) };
    const asked = http.request(
      { host: api.hostname, port: api.port, path: request.url, method: request.method, headers },
      (answer) => {
        response.writeHead(answer.statusCode, answer.headers);
        answer.pipe(response);
      },
    );
    asked.once('error', () => response.writeHead(502).end());
    request.pipe(asked);
  };
}

module.exports = config;
