/** What the address of the sockets begins with. */
export const SOCKET_PATH = '/api/socket'
