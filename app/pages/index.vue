<template><h1>Wire Step</h1></template>
