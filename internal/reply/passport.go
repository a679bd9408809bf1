package reply

// PassportPath is the page that a passport's code opens.
const PassportPath = "/p/"
