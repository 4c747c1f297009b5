import type { NextConfig } from 'next';

const config: NextConfig = {
  serverExternalPackages: ['sequelize', 'sqlite3', 'workerpool'],
  poweredByHeader: false,
  devIndicators: false,
};

export default config;
