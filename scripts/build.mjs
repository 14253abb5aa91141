// npm run build: the packages and the built application, for a service manager to start.
import { build, installPackages } from "./setup.mjs";

installPackages();
build("build");
