import type { NextConfig } from 'next';

const config: NextConfig = {
  serverExternalPackages: ['sequelize', 'sqlite3', 'workerpool'],
  poweredByHeader: false,
  devIndicators: false,
  // bin/test has checked types by then; a build by itself checks them.
  typescript: { ignoreBuildErrors: process.env.TINWHEEL_TYPES_CHECKED === '1' },
};

export default config;
