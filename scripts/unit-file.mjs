// npm run unit-file [-- USER]: the systemd unit of this house, to standard output. Settings go into /etc/werkbank.env, one NAME=value a line.
import { homeFolder, ROOT } from './lib/system.mjs';

const user = process.argv[2] ?? 'werkbank';
process.stdout.write(`[Unit]
Description=Werkbank, a calibration workshop's bench
After=network-online.target
Wants=network-online.target

[Service]
Type=simple
User=${user}
WorkingDirectory=${ROOT}
EnvironmentFile=-/etc/werkbank.env
Environment=WERKBANK_HOME=${process.env.WERKBANK_HOME ?? homeFolder()}
Environment=NODE_ENV=production
ExecStart=${process.execPath} scripts/serve.mjs
Restart=always
RestartSec=3
KillMode=mixed
TimeoutStopSec=40
LimitNOFILE=65536
UMask=0077
NoNewPrivileges=yes
PrivateTmp=yes
ProtectSystem=full
ProtectKernelTunables=yes
ProtectControlGroups=yes
RestrictSUIDSGID=yes

[Install]
WantedBy=multi-user.target
`);
